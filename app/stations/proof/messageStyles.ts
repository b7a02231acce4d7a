/** What panels of messages have in common. */
export const MESSAGE_TITLE = { m: 0, fontSize: '0.9rem', fontWeight: 600 };

export const MESSAGE_HEAD = {
  display: 'flex',
  flexWrap: 'wrap',
  alignItems: 'baseline',
  gap: '2px 12px',
  px: 1.75,
  py: 1.25,
};
