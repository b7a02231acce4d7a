/** Of a union of messages, without the sender's name, which every message gets on its way. */
export type Unsigned<M> = M extends unknown ? Omit<M, 'from'> : never;
