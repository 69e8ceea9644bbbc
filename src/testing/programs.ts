import { existsSync } from "node:fs";

/** Whether a program that a check is made with is on this machine; npm test installs it where it may. */
export const has = (program: string): boolean => existsSync(`/usr/bin/${program}`);
