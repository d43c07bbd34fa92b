import type { DirectoryRefusal } from '../../contracts/index.ts';

/** Why nobody was let in by the directory of people. @param name what it is called here. */
export function directoryRefusal(why: DirectoryRefusal, name: string): string {
  return {
    'said-no': `You were not let in: ${name} said no, or you stopped there.`,
    'not-invited': `You are known to ${name}, but not here yet. Ask your administrator to invite you by the address that it has of you.`,
    'not-confirmed': `You were not let in: ${name} has not confirmed your e-mail address, so that anybody could have written it there. Whoever looks after it can.`,
    'not-let-in': 'You are not let in here any more. Ask your administrator.',
    'too-late': 'That took too long, or was begun in another window. Begin again.',
    'no-answer': `What came back from ${name} could not be used. Try again; if it stays so, your administrator finds the reason in the log.`,
  }[why];
}
