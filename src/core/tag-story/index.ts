export type { StoriesAsked, StoryPlace } from './place.ts';
export { endOf, stepAt, type TagStory } from './story.ts';
export { storyOfSteps } from './story-of-steps.ts';
export { type StoryOfStores, tagStories } from './tag-stories.ts';
