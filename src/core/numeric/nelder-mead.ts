/** Result of a minimisation: the best point and its cost. */
export interface Minimum {
  readonly point: Float64Array;
  readonly cost: number;
}

/**
 * Downhill simplex (Nelder and Mead 1965, Computer Journal 7, 308; coefficients 1, 2, ½, ½).
 * @param cost must accept any point; it clamps to its own bounds
 * @param step first simplex size along each coordinate
 * @param tolerance stops when the simplex's costs differ by less
 * @param goodEnough stops as soon as a cost this low is found
 */
export function nelderMead(
  cost: (point: Float64Array) => number,
  start: ArrayLike<number>,
  step: ArrayLike<number>,
  maxEvaluations: number,
  tolerance: number,
  goodEnough: number,
): Minimum {
  const n = start.length;
  const points = Array.from({ length: n + 1 }, (_, i) => {
    const point = Float64Array.from(start);
    if (i > 0) point[i - 1]! += step[i - 1]!;
    return point;
  });
  const costs = Float64Array.from(points, cost);
  const centre = new Float64Array(n);
  const trial = new Float64Array(n);
  const second = new Float64Array(n);
  let evaluations = n + 1;

  const along = (worst: Float64Array, t: number, into: Float64Array): number => {
    for (let j = 0; j < n; j++) into[j] = centre[j]! + t * (worst[j]! - centre[j]!);
    evaluations++;
    return cost(into);
  };

  for (;;) {
    let best = 0;
    let worst = 0;
    for (let i = 1; i <= n; i++) {
      if (costs[i]! < costs[best]!) best = i;
      if (costs[i]! > costs[worst]!) worst = i;
    }
    if (evaluations >= maxEvaluations || costs[best]! <= goodEnough || costs[worst]! - costs[best]! < tolerance) {
      return { point: points[best]!, cost: costs[best]! };
    }
    let nextWorst = best;
    centre.fill(0);
    for (let i = 0; i <= n; i++) {
      if (i === worst) continue;
      if (costs[i]! > costs[nextWorst]!) nextWorst = i;
      for (let j = 0; j < n; j++) centre[j]! += points[i]![j]! / n;
    }
    const replace = (point: Float64Array, value: number): void => {
      points[worst]!.set(point);
      costs[worst] = value;
    };
    const reflected = along(points[worst]!, -1, trial);
    if (reflected < costs[best]!) {
      const expanded = along(points[worst]!, -2, second);
      if (expanded < reflected) replace(second, expanded);
      else replace(trial, reflected);
    } else if (reflected < costs[nextWorst]!) {
      replace(trial, reflected);
    } else {
      const outside = reflected < costs[worst]!;
      const contracted = along(points[worst]!, outside ? -0.5 : 0.5, second);
      if (contracted < Math.min(reflected, costs[worst]!)) {
        replace(second, contracted);
      } else {
        for (let i = 0; i <= n; i++) {
          if (i === best) continue;
          for (let j = 0; j < n; j++) points[i]![j] = points[best]![j]! + 0.5 * (points[i]![j]! - points[best]![j]!);
          costs[i] = cost(points[i]!);
          evaluations++;
        }
      }
    }
  }
}
