// The frame being dragged: the draft, what the server says of it, and keeping it.
import { useQuery } from "@tanstack/react-query";
import { useEffect, useState } from "react";
import { queries } from "../../api/queries";
import type { Bench, Change, RoomFrame } from "../../api/types";
import { useLatest } from "../../shared/useLatest";

export type Edge = "left" | "right" | "top" | "bottom";
const LEAST = 0.1;

export type Props = { bench: Bench; make: (change: Change) => Promise<string | null> };

export function useSheet(bench: Bench, make: (change: Change) => Promise<string | null>) {
  const [draft, setDraft] = useState<RoomFrame | null>(null);
  const [ratio, setRatio] = useState<number | null>(null);
  const [trouble, setTrouble] = useState<string | null>(null);
  const [busy, setBusy] = useState(false);
  const room = useQuery(queries.frame(bench, useLatest(draft, busy)));
  useEffect(() => setBusy(room.isFetching), [room.isFetching]);
  const frame = draft ?? room.data?.frame;

  const move = (edge: Edge, to: number) => {
    if (!frame) {
      return;
    }
    const next = { ...frame, [edge]: to };
    if (next.right - next.left < LEAST || next.bottom - next.top < LEAST) {
      return;
    }
    if (ratio) {
      keepRatio(next, edge, ratio);
    }
    setDraft(next);
  };

  const shift = (x: number, y: number) =>
    frame &&
    setDraft({
      left: frame.left + x,
      right: frame.right + x,
      top: frame.top + y,
      bottom: frame.bottom + y,
    });

  const tell = async (change: Change) => setTrouble(await make(change));

  const keep = async (chosen: RoomFrame | null) => {
    await tell({ type: "set_frame", frame: chosen });
    setDraft(null);
  };

  return {
    room: room.data,
    error: room.error,
    frame,
    changed: draft !== null,
    ratio,
    setRatio,
    trouble,
    move,
    shift,
    try: setDraft,
    forget: () => setDraft(null),
    keep,
    tell,
  };
}

/** The edge that was not moved gives way, so that width over height stays the sheet's. */
function keepRatio(frame: RoomFrame, edge: Edge, ratio: number): void {
  if (edge === "left" || edge === "right") {
    const high = (frame.right - frame.left) / ratio;
    const middle = (frame.top + frame.bottom) / 2;
    frame.top = middle - high / 2;
    frame.bottom = middle + high / 2;
  } else {
    const wide = (frame.bottom - frame.top) * ratio;
    const middle = (frame.left + frame.right) / 2;
    frame.left = middle - wide / 2;
    frame.right = middle + wide / 2;
  }
}
