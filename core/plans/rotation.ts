/** What has to be made once a picture is rotated; a part of it would leave its files unlike one another. */
import { FULL_SIZE, type PictureTask, rotationTasks, type SiteReading } from '../model/index.ts';
import { isRotated, type Rotation } from '../photo/index.ts';
import { nameOf, refuse, type Result } from '../site/index.ts';

export function rotationAsked(
  site: SiteReading,
  picture: string,
  rotation: Rotation,
): Result<{ tasks: PictureTask[] }> {
  const pair = site.pairing.pairs.find(({ full }) => full === picture);
  if (!pair) return refuse(`There is no ${picture} any more.`);
  const tasks = rotationTasks(site, pair, rotation);
  if (tasks.some(({ as }) => as === FULL_SIZE) || !isRotated(rotation)) return { ok: true, tasks };
  const isClear = site.factsOf(picture)?.clear === true;
  return refuse(
    isClear
      ? `${nameOf(picture)} has clear parts: decide first, above the list of pairs, in which format such pictures are saved.`
      : `${nameOf(picture)} cannot be read, so it cannot be rotated.`,
  );
}
