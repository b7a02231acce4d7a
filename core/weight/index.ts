export { type Asking, type Placed, requestsOf, wholeWeight } from './pageRequests.ts';
export { type PageRequest, type RequestKind } from './request.ts';
export { type Saving, savingsOf, type Shown } from './savings.ts';
export { type Stretched, stretchedOn } from './stretched.ts';
export { type Window } from './sizes.ts';
export { type Line, timelineOf } from './timeline.ts';
