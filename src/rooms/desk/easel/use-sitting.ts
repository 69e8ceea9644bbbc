"use client";

import { useEffect, useMemo, useRef, useState } from "react";
import { sittingAt, type Sitting } from "@/core/planning";
import { satWashes, type SatWash } from "@/model/plan";
import { useDesk } from "../desk-store";
import { usePlan } from "../plan-step/use-plan";

/** The time, once a second. */
function useNow(): number {
  const [now, setNow] = useState(() => Date.now());
  useEffect(() => {
    const timer = setInterval(() => setNow(Date.now()), 1000);
    return () => clearInterval(timer);
  }, []);
  return now;
}

/** Three short notes, where the browser can make a sound. */
function ring(): void {
  try {
    const context = new AudioContext();
    const gain = context.createGain();
    gain.gain.value = 0.15;
    gain.connect(context.destination);
    [0, 0.25, 0.5].forEach((at) => {
      const note = context.createOscillator();
      note.frequency.value = 660;
      note.connect(gain);
      note.start(context.currentTime + at);
      note.stop(context.currentTime + at + 0.15);
    });
    setTimeout(() => void context.close(), 1500);
  } catch {
    // A browser without sound still shows that it is dry.
  }
}

/** Keeps the screen awake while it is shown, where the browser allows it. */
export function useAwake(): void {
  useEffect(() => {
    let lock: WakeLockSentinel | null = null;
    let left = false;
    const ask = (): void => {
      if (!("wakeLock" in navigator) || document.visibilityState !== "visible") return;
      navigator.wakeLock.request("screen").then(
        (held) => {
          if (left) void held.release();
          else lock = held;
        },
        () => undefined,
      );
    };
    ask();
    document.addEventListener("visibilitychange", ask);
    return () => {
      left = true;
      document.removeEventListener("visibilitychange", ask);
      void lock?.release();
    };
  }, []);
}

/** How the painting stands now, and what can be done about it. */
export interface SittingNow extends Sitting {
  readonly now: number;
  /** The wash that is shown: the next one, or another that was taken up while it waits. */
  readonly shown: string | null;
  readonly note: (as: SatWash["as"]) => void;
  /** Takes the last note back. */
  readonly back: () => void;
  readonly canGoBack: boolean;
  /** The painter sees that it is dry: it need not be waited for. */
  readonly isDry: () => void;
  readonly takeUp: (key: string) => void;
  /** Begins the painting again from its first wash. */
  readonly anew: () => void;
}

/** Follows the sitting by the clock, and rings when what was waited for is dry. */
export function useSitting(): SittingNow {
  const { plan } = usePlan();
  const stored = useDesk((s) => s.document.plan);
  const changePlan = useDesk((s) => s.changePlan);
  const now = useNow();
  const [taken, setTaken] = useState<string | null>(null);
  const [seenDry, setSeenDry] = useState<string | null>(null);
  const sat = useMemo(
    () => new Map([...satWashes(stored)].map(([key, { as, at }]) => [key, { as, atMs: Date.parse(at) }])),
    [stored],
  );
  const found = sittingAt(plan, sat, now);
  const isSeenDry = found.present !== null && found.present === seenDry;
  const sitting = isSeenDry ? { ...found, dryAtMs: null, waitsFor: null } : found;
  const waits = sitting.dryAtMs !== null;
  const waited = useRef(false);
  useEffect(() => {
    if (waited.current && !waits) ring();
    waited.current = waits;
  }, [waits]);
  const shown = taken !== null && sitting.meanwhile.includes(taken) ? taken : sitting.present;
  return {
    ...sitting,
    now,
    shown,
    note: (as) => {
      if (shown === null) return;
      setTaken(null);
      changePlan({
        sat: [...stored.sat.filter(({ key }) => key !== shown), { key: shown, as, at: new Date().toISOString() }],
      });
    },
    back: () => {
      setTaken(null);
      changePlan({ sat: stored.sat.slice(0, -1) });
    },
    canGoBack: stored.sat.length > 0,
    isDry: () => setSeenDry(sitting.present),
    takeUp: setTaken,
    anew: () => {
      setTaken(null);
      changePlan({ sat: [] });
    },
  };
}
