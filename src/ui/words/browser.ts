/** On what somebody is signed in, out of what their browser calls itself (User-Agent); null: it says nothing. */
export function browserWords(agent: string | null): string {
  if (!agent) return 'A program without a name';
  if (!agent.startsWith('Mozilla/')) return agent.slice(0, 40);
  if (/Tablet|iPad/.test(agent)) return 'A browser on a tablet';
  return /Mobi/.test(agent) ? 'A browser on a phone' : 'A browser on a computer';
}
