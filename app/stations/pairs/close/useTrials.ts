/** One size of a picture, made ready and tried at several qualities in a worker; each trial is shown as it comes. */
import { useEffect, useState } from 'react';
import type { PictureTask } from '~core/model/index.ts';
import type { Format } from '~core/photo/index.ts';
import { useSite } from '../../../ui/site/openSite';
import type { CurvePoint } from './Curve';

/** Enough points for a curve; the middle first, so that something is there at once. */
const TRIED: readonly number[] = [80, 60, 92, 70, 40, 86, 50, 30];

interface Prepared {
  url: string;
  width: number;
  height: number;
}

type Trials =
  | { state: 'working' }
  | { state: 'failed'; reason: string }
  | {
      state: 'ready';
      prepared: Prepared;
      points: CurvePoint[];
      tell: (format: Format, quality: number) => Promise<string | null>;
    };

/** `formats` should be a stable value: a change begins the trials anew. */
export function useTrials(task: PictureTask, formats: readonly Format[]): Trials {
  const { site } = useSite();
  const { session } = site;
  const [prepared, setPrepared] = useState<{ key: string; value: Prepared } | null>(null);
  const [points, setPoints] = useState<{ key: string; all: CurvePoint[] }>({ key: '', all: [] });
  const [failed, setFailed] = useState<{ key: string; reason: string } | null>(null);
  const key = JSON.stringify([
    task.from,
    task.as,
    task.size.width,
    task.size.height,
    task.size.shape,
    task.size.sharpen,
    task.size.enlarge,
  ]);

  useEffect(() => {
    let gone = false;
    let url: string | null = null;
    session.pictures.prepareTrials(task, key).then(
      ({ reference, width, height }) => {
        if (gone) return;
        url = URL.createObjectURL(reference);
        setPrepared({ key, value: { url, width, height } });
      },
      (error: unknown) => !gone && setFailed({ key, reason: error instanceof Error ? error.message : String(error) }),
    );
    return () => {
      gone = true;
      if (url !== null) URL.revokeObjectURL(url);
    };
    // The key says all that the preparation depends on.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [session, key]);

  const ready = prepared?.key === key ? prepared.value : null;
  useEffect(() => {
    if (!ready) return undefined;
    let gone = false;
    const run = async () => {
      for (const quality of TRIED) {
        for (const format of formats) {
          if (gone) return;
          const tried = await session.pictures.trial(key, format, quality);
          if (gone || !tried) return;
          const { blob: _blob, ...point } = tried;
          setPoints((before) => ({
            key,
            all: [
              ...(before.key === key
                ? before.all.filter((one) => one.format !== format || one.quality !== quality)
                : []),
              { ...point, format },
            ],
          }));
        }
      }
    };
    void run();
    return () => {
      gone = true;
    };
  }, [session, key, ready, formats]);

  if (failed?.key === key) return { state: 'failed', reason: failed.reason };
  if (!ready) return { state: 'working' };
  return {
    state: 'ready',
    prepared: ready,
    points: points.key === key ? points.all : [],
    tell: async (format, quality) => {
      const tried = await session.pictures.trial(key, format, quality);
      if (!tried) return null;
      const { blob, ...point } = tried;
      setPoints((before) => ({
        key,
        all: [
          ...(before.key === key ? before.all.filter((one) => one.format !== format || one.quality !== quality) : []),
          { ...point, format },
        ],
      }));
      return URL.createObjectURL(blob);
    },
  };
}
