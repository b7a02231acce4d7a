export { type Address } from './address.ts';
export { addressesOfFile } from './files.ts';
export { pageAddresses } from './html.ts';
export { styleAddresses } from './css.ts';
export { fileLayer } from './layer.ts';
export { IMPORT } from './script.ts';
