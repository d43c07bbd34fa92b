import { saidCount } from '../../ui/writing/index.ts';

/** "1 tag", "1,219 tags" */
export const tagsOf = (count: number): string => `${saidCount(count)} ${count === 1 ? 'tag' : 'tags'}`;
