/** A line for whoever runs the script. */
export const say = (text) => process.stdout.write(`${text}\n`);

/** Something that the person who runs the script must mend: said plainly, without a stack. */
export class SetUpFault extends Error {}

/** Runs a script's main function; a set-up fault is said, not thrown. */
export async function run(main) {
  try {
    await main();
  } catch (error) {
    if (!(error instanceof SetUpFault)) throw error;
    process.stderr.write(`\n${error.message}\n`);
    process.exitCode = 1;
  }
}
