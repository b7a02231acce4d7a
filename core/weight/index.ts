export { type Asking, type Placed, requestsOf } from './pageRequests.ts';
export { type PageRequest, PRIORITIES, type RequestKind } from './request.ts';
export { type Window } from './sizes.ts';
export { type Line, type Timed, type Timeline, timelineOf } from './timeline.ts';
