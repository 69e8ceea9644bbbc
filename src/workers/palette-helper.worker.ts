/// <reference lib="webworker" />
import { expose } from "comlink";
import { paletteHelper } from "./palette-helper";

// The palette worker asks over a channel of its own, which arrives with the first message.
addEventListener(
  "message",
  ({ data }: MessageEvent<{ readonly port: MessagePort }>) => expose(paletteHelper(), data.port),
  { once: true },
);
