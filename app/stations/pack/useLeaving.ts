/** A ZIP on its way: how far it is, and what came of it. */
import { useState } from 'react';
import { inBytes } from '~core/site/index.ts';
import { pack, save, type PackOrder } from '../../data/export';
import { useSite } from '../../ui/site/openSite';
import type { LeavingState } from './Leaving';

interface LeavingWork {
  state: LeavingState;
  busy: boolean;
  /** Whether it left. */
  leave: (order: PackOrder) => Promise<boolean>;
}

export function useLeaving(): LeavingWork {
  const { session } = useSite().site;
  const [state, setState] = useState<LeavingState>({ kind: 'idle' });
  const leave = async (order: PackOrder): Promise<boolean> => {
    setState({ kind: 'working', doing: 'packing', done: 0, of: order.only?.size ?? order.leaving.size });
    try {
      const packed = await pack(session, order, (progress, of) => setState({ kind: 'working', ...progress, of }));
      if (!packed) {
        setState({ kind: 'idle' });
        return false;
      }
      save(packed);
      const { missing, struck } = packed;
      setState({
        kind: 'done',
        says: `${packed.name}, ${inBytes(packed.blob.size)}`,
        missing,
        struck: struck.length,
      });
      return true;
    } catch (error) {
      setState({ kind: 'failed', reason: error instanceof Error ? error.message : String(error) });
      return false;
    }
  };
  return { state, busy: state.kind === 'working', leave };
}
