/** Headers of every answer, by the servers and by the preview's worker alike. */

/** What neither needs; a previewed page has no more than its host would let it ask for (Permissions Policy, W3C). */
const NO_DEVICES = [
  'accelerometer',
  'bluetooth',
  'camera',
  'display-capture',
  'geolocation',
  'gyroscope',
  'hid',
  'magnetometer',
  'microphone',
  'midi',
  'payment',
  'serial',
  'usb',
  'xr-spatial-tracking',
]
  .map((name) => `${name}=()`)
  .join(', ');

/** On every answer of both origins: nothing of them is for other sites, and they tell no site where a link stood. */
export const SHARED_HEADERS = {
  'Cross-Origin-Resource-Policy': 'same-origin',
  'Origin-Agent-Cluster': '?1',
  'Permissions-Policy': NO_DEVICES,
  'X-Content-Type-Options': 'nosniff',
} as const;
