/** Part of a photo that is painted: a rectangle of the sheet's shape, perhaps turned. */
export interface Frame {
  /** Centre, as shares of the photo's width and height. */
  readonly x: number;
  readonly y: number;
  /** Width as a share of the photo's width. */
  readonly width: number;
  /** Width over height. */
  readonly aspect: number;
  /** How far the photo is turned clockwise to stand straight, degrees. */
  readonly angleDegrees: number;
}

export interface Size {
  readonly width: number;
  readonly height: number;
}

export interface Point {
  readonly x: number;
  readonly y: number;
}

/** Steepest turn: beyond this a photo is laid on its side, not straightened. */
export const MAX_ANGLE_DEGREES = 45;

/** The frame that takes in a whole photo. */
export const wholePhoto = ({ width, height }: Size): Frame => ({
  x: 0.5,
  y: 0.5,
  width: 1,
  aspect: width / height,
  angleDegrees: 0,
});

const turnOf = (frame: Frame): { cos: number; sin: number } => {
  const angle = (frame.angleDegrees * Math.PI) / 180;
  return { cos: Math.cos(angle), sin: Math.sin(angle) };
};

/** Widest a frame of this shape and turn can be in a photo, as a share of its width. */
export function widestFrame(frame: Frame, photo: Size): number {
  const { cos, sin } = turnOf(frame);
  const across = Math.abs(cos) + Math.abs(sin) / frame.aspect;
  const down = Math.abs(sin) + Math.abs(cos) / frame.aspect;
  return Math.min(photo.width / across, photo.height / down) / photo.width;
}

/** The nearest frame that lies wholly inside the photo: narrowed if it must be, then moved. */
export function keepInside(frame: Frame, photo: Size): Frame {
  const { cos, sin } = turnOf(frame);
  const width = Math.min(frame.width, widestFrame(frame, photo));
  const [w, h] = [width * photo.width, (width * photo.width) / frame.aspect];
  const halfX = (w * Math.abs(cos) + h * Math.abs(sin)) / 2 / photo.width;
  const halfY = (w * Math.abs(sin) + h * Math.abs(cos)) / 2 / photo.height;
  const within = (at: number, half: number): number => (half >= 0.5 ? 0.5 : Math.min(1 - half, Math.max(half, at)));
  return { ...frame, width, x: within(frame.x, halfX), y: within(frame.y, halfY) };
}

/** Where a point of the sheet (0 to 1 across and down) lies on the photo (shares of its width and height). */
export function photoOfSheet(point: Point, frame: Frame, photo: Size): Point {
  const { cos, sin } = turnOf(frame);
  const w = frame.width * photo.width;
  const dx = (point.x - 0.5) * w;
  const dy = ((point.y - 0.5) * w) / frame.aspect;
  return { x: frame.x + (dx * cos + dy * sin) / photo.width, y: frame.y + (dy * cos - dx * sin) / photo.height };
}

/** Where a point of the photo lies on the sheet; outside 0 to 1 it is cut off. */
export function sheetOfPhoto(point: Point, frame: Frame, photo: Size): Point {
  const { cos, sin } = turnOf(frame);
  const w = frame.width * photo.width;
  const px = (point.x - frame.x) * photo.width;
  const py = (point.y - frame.y) * photo.height;
  return { x: 0.5 + (px * cos - py * sin) / w, y: 0.5 + ((px * sin + py * cos) * frame.aspect) / w };
}

/** Which pixels of a map over the photo the sheet takes in: 1 inside, 0 cut off. */
export function frameMask(frame: Frame, map: Size): Uint8Array {
  const mask = new Uint8Array(map.width * map.height);
  for (let y = 0; y < map.height; y++) {
    for (let x = 0; x < map.width; x++) {
      const at = sheetOfPhoto({ x: (x + 0.5) / map.width, y: (y + 0.5) / map.height }, frame, map);
      if (at.x >= 0 && at.x <= 1 && at.y >= 0 && at.y <= 1) mask[y * map.width + x] = 1;
    }
  }
  return mask;
}
