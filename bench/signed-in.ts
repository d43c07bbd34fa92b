/** The headers of a demo person who is signed in. */
export async function signedIn(origin: string, email: string): Promise<Record<string, string>> {
  const reply = await fetch(`${origin}/api/demo-sign-in`, {
    method: 'POST',
    headers: { origin, 'content-type': 'application/json' },
    body: JSON.stringify({ email }),
  });
  if (!reply.ok) throw new Error(`signing in was answered ${reply.status}`);
  const cookie = reply.headers
    .getSetCookie()
    .map((one) => one.split(';')[0])
    .join('; ');
  return { origin, cookie };
}

export const emailOfBench = (name: string): string => `${name}@quillmere.example`;
