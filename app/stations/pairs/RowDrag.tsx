/**
 * Makes a row one that can be dragged and dropped onto. Mounted only where the pointer is, or while something is
 * dragged: a list of thousands cannot afford it for every row that scrolls by.
 */
import { useDraggable, useDroppable, type DraggableSyntheticListeners } from '@dnd-kit/core';
import { useEffect, useLayoutEffect } from 'react';
import type { PairView } from '~core/view/index.ts';

interface RowDragProps {
  pair: PairView;
  element: HTMLElement;
  idle: boolean;
  onGrip: (listeners: DraggableSyntheticListeners) => void;
  onOver: (over: boolean) => void;
}

export function RowDrag({ pair, element, idle, onGrip, onOver }: RowDragProps) {
  const { setNodeRef: target, isOver } = useDroppable({ id: `onto ${pair.full}`, data: { full: pair.full } });
  const { setNodeRef: source, listeners } = useDraggable({
    id: `from ${pair.id}`,
    data: { thumbnail: pair.thumbnail },
    disabled: pair.thumbnail === null || idle,
  });
  useLayoutEffect(() => {
    target(element);
    source(element);
  }, [element, target, source]);
  useEffect(() => onGrip(listeners), [listeners, onGrip]);
  useEffect(() => {
    onOver(isOver);
    return () => onOver(false);
  }, [isOver, onOver]);
  return null;
}
