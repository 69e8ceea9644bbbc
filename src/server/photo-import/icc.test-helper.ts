/** Writes minimal ICC profiles (ICC.1:2001-04, matrix and grey input profiles) for tests, with made-up names. */
type Triple = readonly [number, number, number];

export interface ProfileKind {
  /** CIE xy of red, green and blue; none for a grey profile. */
  readonly primaries?: readonly (readonly [number, number])[];
  readonly white: readonly [number, number];
  readonly gamma: number;
}

export const KINDS = {
  /** Primaries and gamma of Adobe RGB (1998) Color Image Encoding. */
  wideGreen: {
    primaries: [
      [0.64, 0.33],
      [0.21, 0.71],
      [0.15, 0.06],
    ],
    white: [0.3127, 0.329],
    gamma: 563 / 256,
  },
  /** Primaries, white and gamma of ROMM RGB (ISO 22028-2). */
  widest: {
    primaries: [
      [0.7347, 0.2653],
      [0.1596, 0.8404],
      [0.0366, 0.0001],
    ],
    white: [0.34567, 0.3585],
    gamma: 1.8,
  },
  grey: { white: [0.3127, 0.329], gamma: 2.2 },
} as const satisfies Record<string, ProfileKind>;

const BRADFORD = [
  [0.8951, 0.2664, -0.1614],
  [-0.7502, 1.7135, 0.0367],
  [0.0389, -0.0685, 1.0296],
];
const D50: Triple = [0.9642, 1, 0.8249];
const times = (m: readonly (readonly number[])[], v: readonly number[]): Triple =>
  m.map((row) => row[0]! * v[0]! + row[1]! * v[1]! + row[2]! * v[2]!) as unknown as Triple;
const ofXy = ([x, y]: readonly [number, number]): Triple => [x / y, 1, (1 - x - y) / y];

function inverse(m: readonly (readonly number[])[]): number[][] {
  const [a, b, c, d, e, f, g, h, i] = m.flat() as [
    number,
    number,
    number,
    number,
    number,
    number,
    number,
    number,
    number,
  ];
  const det = a * (e * i - f * h) - b * (d * i - f * g) + c * (d * h - e * g);
  return [
    [e * i - f * h, c * h - b * i, b * f - c * e],
    [f * g - d * i, a * i - c * g, c * d - a * f],
    [d * h - e * g, b * g - a * h, a * e - b * d],
  ].map((row) => row.map((x) => x / det));
}

const toD50 = (white: Triple, colour: Triple): Triple => {
  const [from, to] = [times(BRADFORD, white), times(BRADFORD, D50)];
  return times(
    inverse(BRADFORD),
    times(BRADFORD, colour).map((x, i) => (x * to[i]!) / from[i]!),
  );
};

function tag(type: string, length: number, write: (b: Buffer) => void): Buffer {
  const b = Buffer.alloc(8 + length);
  b.write(type, 0, "latin1");
  write(b);
  return b;
}
const fixed = (x: number): number => Math.round(x * 65536);
const xyz = (v: Triple): Buffer => tag("XYZ ", 12, (b) => v.forEach((x, i) => b.writeInt32BE(fixed(x), 8 + 4 * i)));
const curve = (gamma: number): Buffer =>
  tag("curv", 8, (b) => {
    b.writeUInt32BE(1, 8);
    b.writeUInt16BE(Math.round(gamma * 256), 12);
  });
const text = (words: string): Buffer => tag("text", words.length + 1, (b) => b.write(words, 8, "latin1"));
const description = (words: string): Buffer =>
  tag("desc", 4 + words.length + 1 + 4 + 4 + 2 + 1 + 67, (b) => {
    b.writeUInt32BE(words.length + 1, 8);
    b.write(words, 12, "latin1");
  });

export function makeProfile({ primaries, white, gamma }: ProfileKind): Buffer {
  const w = ofXy(white);
  const tags: [string, Buffer][] = [
    ["desc", description("Abendrot test")],
    ["cprt", text("none")],
    ["wtpt", xyz(D50)],
  ];
  if (primaries) {
    const columns = primaries.map(ofXy);
    const scale = times(inverse([0, 1, 2].map((row) => columns.map((column) => column[row]!))), w);
    columns.forEach((column, i) => {
      tags.push(
        [`${"rgb"[i]}XYZ`, xyz(toD50(w, column.map((x) => x * scale[i]!) as unknown as Triple))],
        [`${"rgb"[i]}TRC`, curve(gamma)],
      );
    });
  } else tags.push(["kTRC", curve(gamma)]);
  const table = Buffer.alloc(4 + 12 * tags.length);
  table.writeUInt32BE(tags.length, 0);
  const bodies: Buffer[] = [];
  let at = 128 + table.length;
  tags.forEach(([name, body], i) => {
    table.write(name, 4 + 12 * i, "latin1");
    table.writeUInt32BE(at, 8 + 12 * i);
    table.writeUInt32BE(body.length, 12 + 12 * i);
    const padded = Buffer.concat([body, Buffer.alloc((4 - (body.length % 4)) % 4)]);
    bodies.push(padded);
    at += padded.length;
  });
  const header = Buffer.alloc(128);
  header.writeUInt32BE(at, 0);
  header.writeUInt32BE(0x02400000, 8);
  header.write(`mntr${primaries ? "RGB " : "GRAY"}XYZ `, 12, "latin1");
  header.write("acsp", 36, "latin1");
  D50.forEach((x, i) => header.writeInt32BE(fixed(x), 68 + 4 * i));
  return Buffer.concat([header, table, ...bodies]);
}
