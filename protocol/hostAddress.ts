/** Addresses of the test host. */

/** What belongs to the host itself; no site can have files there. */
export const HOST_OWN = '.test-host/';

/** The name under `localhost` of the part of the host that one site has: nothing of another site is of its origin. */
export const SPACE = /^[a-f0-9]{32}$/;
