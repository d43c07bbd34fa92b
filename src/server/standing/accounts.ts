import { randomBytes } from 'node:crypto';
import { eq } from 'drizzle-orm';
import { type Database, schema } from '../../db/index.ts';
import type { Accounts } from '../../usecases/ports/index.ts';
import type { SignIn } from '../sign-in.ts';

/** Accounts as the sign-in package keeps them. */
export const accounts = (signIn: SignIn, db: Database): Accounts => ({
  // What is made up here nobody is told: such a password is set by a link.
  async create({ name, email, password = randomBytes(32).toString('base64url') }) {
    const { user } = await signIn.api.signUpEmail({ body: { name, email, password } });
    // The package signs in whom it makes.
    await db.delete(schema.session).where(eq(schema.session.userId, user.id));
    return user.id;
  },
  async sendLink(email) {
    await signIn.api.requestPasswordReset({ body: { email } });
  },
  async setPassword(token, newPassword) {
    try {
      await signIn.api.resetPassword({ body: { token, newPassword } });
      return true;
    } catch (error) {
      if ((error as { status?: string }).status === 'BAD_REQUEST') return false;
      throw error;
    }
  },
});
