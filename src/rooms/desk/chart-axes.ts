/** How axes of charts on the desk are drawn and lettered. */
export const AXIS = { stroke: "currentColor", tick: { fontSize: 13 } } as const;

/** What an axis below a chart counts. */
export const below = (value: string) =>
  ({ value, position: "insideBottom", offset: -10, fontSize: 13, fill: "currentColor" }) as const;

/** What an axis at a chart's left side measures. */
export const beside = (value: string, dy: number) =>
  ({ value, angle: -90, position: "insideLeft", fontSize: 13, fill: "currentColor", dy }) as const;
