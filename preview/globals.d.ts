/** Written by the server in front of every script of the preview origin. */
declare const APPLICATION_ORIGIN: string;
