import type { Letter } from '../usecases/ports/index.ts';

/** What somebody is written who is to set a password. @param link good once. */
export const passwordLetter = (
  { name, email }: { readonly name: string; readonly email: string },
  link: string,
): Pick<Letter, 'to' | 'subject' | 'text'> => ({
  to: email,
  subject: 'Set your password for Bell Tag',
  text: [
    `Dear ${name},`,
    'this link lets you set a password for Bell Tag. It is good once, and for three days:',
    link,
    'If you did not ask for it, nothing has to be done: as long as the link is not used nothing changes.',
  ].join('\n\n'),
});
