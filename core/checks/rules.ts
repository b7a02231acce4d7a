/** Every rule. A new one is a file of its own and a line here. */
import { anchorMissing } from './anchorMissing.ts';
import { altIsName } from './altIsName.ts';
import { altMissing } from './altMissing.ts';
import { anotherPicture } from './anotherPicture.ts';
import { baseMissing } from './baseMissing.ts';
import { bracketsBroken } from './bracketsBroken.ts';
import { optionMisspelt } from './optionMisspelt.ts';
import { nameFails } from './nameFails.ts';
import { overLimit } from './overLimit.ts';
import { optionIdle } from './optionIdle.ts';
import { optionValue } from './optionValue.ts';
import { plugInLost } from './plugInLost.ts';
import { startUnfinished } from './startUnfinished.ts';
import { caseDiffers } from './caseDiffers.ts';
import { charsetUnlike } from './charsetUnlike.ts';
import { claimedTwice } from './claimedTwice.ts';
import { codeIgnored } from './codeIgnored.ts';
import { collectionOutdated } from './collectionOutdated.ts';
import { textApart } from './textApart.ts';
import { containerAbsent } from './containerAbsent.ts';
import { dummyLink } from './dummyLink.ts';
import { descriptionMissing, iconMissing, viewportMissing } from './headMissing.ts';
import { feedOutdated } from './feedOutdated.ts';
import { fileMissing } from './fileMissing.ts';
import { groupMissing } from './groupMissing.ts';
import { groupSplit } from './groupSplit.ts';
import { idTwice } from './idTwice.ts';
import { includeMiswritten } from './includeMiswritten.ts';
import { includedTwice } from './includedTwice.ts';
import { kitIncomplete } from './kitIncomplete.ts';
import { linkOpensPage } from './linkOpensPage.ts';
import { markerPlace } from './markerPlace.ts';
import { markerUnlike } from './markerUnlike.ts';
import { menuDeadEnd } from './menuDeadEnd.ts';
import { moduleFromDisk } from './moduleFromDisk.ts';
import { placeMissing } from './placeMissing.ts';
import { rootAddress } from './rootAddress.ts';
import { schemeMissing } from './schemeMissing.ts';
import { scriptBroken } from './scriptBroken.ts';
import { scriptOrder } from './scriptOrder.ts';
import { srcsetEmpty } from './srcsetEmpty.ts';
import { startCall } from './startCall.ts';
import { markerHolder } from './markerHolder.ts';
import { markupLacking } from './markupLacking.ts';
import { importLost } from './importLost.ts';
import { elementUnlike } from './elementUnlike.ts';
import { startArgument } from './startArgument.ts';
import { startSelector } from './startSelector.ts';
import { startTooSoon } from './startTooSoon.ts';
import { listOutdated } from './listOutdated.ts';
import { toldOnce } from './toldOnce.ts';
import { tagsUnlike } from './tagsUnlike.ts';
import { tagBroken } from './tagBroken.ts';
import { textLeftOver } from './textLeftOver.ts';
import { tooDeep } from './tooDeep.ts';
import { tooHeavy } from './tooHeavy.ts';
import { tooLarge } from './tooLarge.ts';
import { viewerUnknown } from './viewerUnknown.ts';
import type { Finding, Rule } from './finding.ts';
import type { SiteReading } from '../model/index.ts';

export const RULES: readonly Rule[] = [
  caseDiffers,
  fileMissing,
  feedOutdated,
  menuDeadEnd,
  placeMissing,
  anotherPicture,
  linkOpensPage,
  altMissing,
  altIsName,
  idTwice,
  srcsetEmpty,
  tooLarge,
  tooHeavy,
  tooDeep,
  charsetUnlike,
  dummyLink,
  anchorMissing,
  tagBroken,
  textLeftOver,
  includeMiswritten,
  codeIgnored,
  schemeMissing,
  rootAddress,
  moduleFromDisk,
  viewerUnknown,
  kitIncomplete,
  includedTwice,
  scriptBroken,
  scriptOrder,
  baseMissing,
  plugInLost,
  startCall,
  startUnfinished,
  startTooSoon,
  markerHolder,
  markupLacking,
  importLost,
  elementUnlike,
  startArgument,
  startSelector,
  optionMisspelt,
  optionValue,
  optionIdle,
  bracketsBroken,
  markerUnlike,
  markerPlace,
  groupMissing,
  groupSplit,
  containerAbsent,
  claimedTwice,
  viewportMissing,
  descriptionMissing,
  iconMissing,
  nameFails,
  overLimit,
  tagsUnlike,
  collectionOutdated,
  textApart,
  listOutdated,
];

/** All findings: what is broken first, then by page and line. */
export function findingsOf(site: SiteReading): Finding[] {
  const rank = ({ severity }: Finding) => (severity === 'error' ? 0 : 1);
  return RULES.flatMap((rule) => toldOnce(site, findingsBy(rule, site))).sort(
    (a, b) =>
      rank(a) - rank(b) || a.place.path.localeCompare(b.place.path) || (a.place.line ?? 0) - (b.place.line ?? 0),
  );
}

/** What is found twice of the same matter is numbered: ids hold no places, which the next edit would move. */
function findingsBy(rule: Rule, site: SiteReading): Finding[] {
  const counted = new Map<string, number>();
  return rule.find(site).map(({ matter, ...told }) => {
    const nth = (counted.get(matter) ?? 0) + 1;
    counted.set(matter, nth);
    const id = `${rule.id}:${matter}${nth > 1 ? ` ${nth}` : ''}`;
    return { station: rule.station, ...told, id, rule: rule.id };
  });
}
