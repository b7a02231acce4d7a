export { type Finding, type Fix, type Station } from './finding.ts';
export { type MarkupFix, markupFix } from './markupFixes.ts';
export { isCertain } from './certain.ts';
export { findingsOf, RULES } from './rules.ts';
export { mostOf, type ValidityFinding, type ValidityMessage, withNews } from './validity.ts';
