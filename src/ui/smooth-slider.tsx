"use client";

import { useEffect, useRef, type InputHTMLAttributes } from "react";
import type { History } from "./undo";

interface SmoothSliderProps<State> extends Omit<InputHTMLAttributes<HTMLInputElement>, "onChange"> {
  readonly history: History<State>;
  readonly onSlide: (value: number) => void;
}

/** A slider whose whole drag is one step to undo. */
export function SmoothSlider<State>({ history, onSlide, ...input }: SmoothSliderProps<State>) {
  const sliding = useRef(false);
  const settle = (): void => {
    sliding.current = false;
    history.getState().resume();
  };
  useEffect(() => () => history.getState().resume(), [history]);
  return (
    <input
      type="range"
      {...input}
      onChange={(event) => {
        onSlide(Number(event.target.value));
        // The first change is kept; what follows until the slider is let go replaces it.
        if (!sliding.current) history.getState().pause();
        sliding.current = true;
      }}
      onPointerUp={settle}
      onKeyUp={settle}
      onBlur={settle}
    />
  );
}
