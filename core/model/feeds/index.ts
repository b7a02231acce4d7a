/** Feeds that go on from one page to the next. */
export { feedsOf, isInStep, writtenFeed } from './feeds.ts';
