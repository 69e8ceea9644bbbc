const MOST_POINTS = 2 ** 20;

/**
 * A k-d tree (Bentley 1975) over points in three dimensions: each range of `order` is split at its
 * middle along the axes, one axis after another. Coordinates lie within ±1000; values closer than a thousandth may
 * stand in any order.
 */
export class PointTree {
  private readonly order: Uint32Array;
  private readonly keys: Float64Array;
  private best = Infinity;
  private found = 0;
  private readonly want = new Float64Array(3);

  /** @param points interleaved x, y, z */
  constructor(private readonly points: Float32Array) {
    this.order = Uint32Array.from({ length: points.length / 3 }, (_, i) => 3 * i);
    this.keys = new Float64Array(this.order.length);
    this.split(0, this.order.length, 0);
  }

  private split(from: number, to: number, axis: number): void {
    if (to - from < 2) return;
    // Sorted as plain numbers, value before index: far faster than by a comparison.
    const { order, points, keys } = this;
    for (let i = from; i < to; i++)
      keys[i] = Math.round((points[order[i]! + axis]! + 1024) * 1024) * MOST_POINTS + order[i]! / 3;
    keys.subarray(from, to).sort();
    for (let i = from; i < to; i++) order[i] = 3 * (keys[i]! % MOST_POINTS);
    const middle = (from + to) >> 1;
    this.split(from, middle, (axis + 1) % 3);
    this.split(middle + 1, to, (axis + 1) % 3);
  }

  private look(from: number, to: number, axis: number): void {
    if (from >= to) return;
    const { points, want } = this;
    const middle = (from + to) >> 1;
    const at = this.order[middle]!;
    const d = (points[at]! - want[0]!) ** 2 + (points[at + 1]! - want[1]!) ** 2 + (points[at + 2]! - want[2]!) ** 2;
    if (d < this.best) {
      this.best = d;
      this.found = at;
    }
    const side = want[axis]! - points[at + axis]!;
    const next = axis === 2 ? 0 : axis + 1;
    if (side < 0) this.look(from, middle, next);
    else this.look(middle + 1, to, next);
    if (side * side >= this.best) return;
    if (side < 0) this.look(middle + 1, to, next);
    else this.look(from, middle, next);
  }

  /** Offset in `points` of the point nearest to a place; `guess` is the offset of one that may be near. */
  nearest(x: number, y: number, z: number, guess: number): number {
    this.want.set([x, y, z]);
    this.found = guess;
    this.best =
      (this.points[guess]! - x) ** 2 + (this.points[guess + 1]! - y) ** 2 + (this.points[guess + 2]! - z) ** 2;
    this.look(0, this.order.length, 0);
    return this.found;
  }
}
