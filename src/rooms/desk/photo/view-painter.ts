import { MAX_LABEL, WASH_KINDS, type LabelMap, type WashKind } from "@/core/areas";
import { stepGrey, stepLimits, type PixelArray, type Point, type WhiteMatrix } from "@/core/image";
import { type GamutTable } from "@/core/palette";
import { linked } from "./linked-program";
import { levelsOf, MipmapPainter } from "./mipmaps";
import { photoOfScreen, type Viewport } from "./viewport";
import { fragmentShader, MODES, VERTEX_SHADER, WASH_ROWS } from "./view-shader";
import type { Seeing } from "../desk-state";

/** Columns of the washes' texture: one for each label. */
const LABELS = MAX_LABEL + 1;

/** An area's wash as it is drawn. */
export interface DrawnWash {
  readonly kind: WashKind;
  /** One to three: what is painted, encoded sRGB 0 to 1, and what the photo shows there, OKLab. */
  readonly colours: readonly {
    readonly paint: readonly [number, number, number];
    readonly photo: readonly [number, number, number];
  }[];
  readonly run: { readonly from: Point; readonly to: Point } | null;
}

/** Everything that a picture of the photo depends on. */
export interface Scene {
  readonly viewport: Viewport;
  readonly seeing: Seeing;
  readonly valueSteps: number;
  readonly white: WhiteMatrix;
  readonly marks: boolean;
  /** Share of the view to the left of which the photo stays as it is, when it is seen through the palette. */
  readonly split: number;
  /** Whether the planned sheet, and the photo beside it, are shown in steps of grey. */
  readonly greyed: boolean;
}

const UNIFORMS = [
  "photo",
  "areas",
  "targets",
  "toPhoto",
  "white",
  "steps",
  "limits",
  "greys",
  "marks",
  "reach",
  "split",
  "sheet",
  "greyed",
  "ground",
] as const;

type Uniforms = Readonly<Record<(typeof UNIFORMS)[number], WebGLUniformLocation | null>>;

/** The program of a way of seeing, and where its uniforms are; null for those that it has no use for. */
interface WayProgram {
  readonly program: WebGLProgram;
  readonly at: Uniforms;
}

function compiled(gl: WebGL2RenderingContext, mode: number): WayProgram {
  const program = linked(gl, VERTEX_SHADER, fragmentShader(mode));
  gl.useProgram(program);
  const at = Object.fromEntries(
    UNIFORMS.map((name) => [name, gl.getUniformLocation(program, name)]),
  ) as unknown as Uniforms;
  gl.uniform1i(at.photo, 0);
  gl.uniform1i(at.areas, 1);
  gl.uniform1i(at.targets, 2);
  gl.uniform1i(at.reach, 3);
  gl.uniform1i(at.sheet, 4);
  return { program, at };
}

/** Draws the photo through a way of seeing, on the graphics card. */
export class ViewPainter {
  private readonly gl: WebGL2RenderingContext;
  /** By the number of the way, compiled when it is first looked through. */
  private readonly programs = new Map<number, WayProgram>();
  private readonly mipmaps: MipmapPainter;
  private photo: WebGLTexture;
  private readonly areas: WebGLTexture;
  private readonly targets: WebGLTexture;
  private readonly reach: WebGLTexture;
  private readonly sheet: WebGLTexture;
  private hasReach = false;
  private hasSheet = false;

  /** Throws when the browser has no WebGL 2. */
  constructor(canvas: HTMLCanvasElement) {
    const gl = canvas.getContext("webgl2", { alpha: false, antialias: false, preserveDrawingBuffer: false });
    if (!gl) throw new Error("no WebGL 2");
    this.gl = gl;
    const texture = (): WebGLTexture => gl.createTexture();
    [this.photo, this.areas, this.targets, this.reach, this.sheet] = [
      texture(),
      texture(),
      texture(),
      texture(),
      texture(),
    ];
    this.mipmaps = new MipmapPainter(gl);
    gl.pixelStorei(gl.UNPACK_ALIGNMENT, 1);
    this.setAreas({ width: 1, height: 1, labels: new Uint8Array(1) });
    this.setTargets(new Map());
    this.setReach(null);
    this.setSheet(null);
  }

  /** Gives the graphics card its memory back: a canvas that is taken off the page keeps it until it is collected. */
  release(): void {
    for (const texture of [this.photo, this.areas, this.targets, this.reach, this.sheet])
      this.gl.deleteTexture(texture);
  }

  /** Gives the drawing context itself back: a browser has some sixteen, and takes the oldest when they run out. */
  giveBack(): void {
    this.gl.getExtension("WEBGL_lose_context")?.loseContext();
  }

  /** Longest side that a texture may have here, px. */
  get maxSide(): number {
    return this.gl.getParameter(this.gl.MAX_TEXTURE_SIZE) as number;
  }

  /** Takes the photo's pixels, encoded Display P3; read, they are linear. */
  setPhoto(source: PixelArray | ImageBitmap): void {
    const { gl } = this;
    const { width, height } = source;
    // What has levels that can be drawn keeps its size for good.
    gl.deleteTexture(this.photo);
    this.photo = gl.createTexture();
    gl.activeTexture(gl.TEXTURE0);
    gl.bindTexture(gl.TEXTURE_2D, this.photo);
    gl.texStorage2D(gl.TEXTURE_2D, levelsOf(width, height), gl.SRGB8_ALPHA8, width, height);
    gl.pixelStorei(gl.UNPACK_COLORSPACE_CONVERSION_WEBGL, gl.NONE);
    if (source instanceof ImageBitmap) gl.texSubImage2D(gl.TEXTURE_2D, 0, 0, 0, gl.RGBA, gl.UNSIGNED_BYTE, source);
    else {
      const bytes = new Uint8Array(source.data.buffer, source.data.byteOffset, source.data.length);
      gl.texSubImage2D(gl.TEXTURE_2D, 0, 0, 0, width, height, gl.RGBA, gl.UNSIGNED_BYTE, bytes);
    }
    gl.texParameteri(gl.TEXTURE_2D, gl.TEXTURE_MAG_FILTER, gl.LINEAR);
    for (const side of [gl.TEXTURE_WRAP_S, gl.TEXTURE_WRAP_T]) gl.texParameteri(gl.TEXTURE_2D, side, gl.CLAMP_TO_EDGE);
    this.mipmaps.draw(this.photo, width, height);
  }

  private unfiltered(unit: number, texture: WebGLTexture): void {
    const { gl } = this;
    gl.activeTexture(unit);
    gl.bindTexture(gl.TEXTURE_2D, texture);
    for (const filter of [gl.TEXTURE_MIN_FILTER, gl.TEXTURE_MAG_FILTER])
      gl.texParameteri(gl.TEXTURE_2D, filter, gl.NEAREST);
  }

  setAreas({ width, height, labels }: LabelMap): void {
    const { gl } = this;
    this.unfiltered(gl.TEXTURE1, this.areas);
    gl.texImage2D(gl.TEXTURE_2D, 0, gl.R8UI, width, height, 0, gl.RED_INTEGER, gl.UNSIGNED_BYTE, labels);
  }

  /** How each label's area is laid. */
  setTargets(washes: ReadonlyMap<number, DrawnWash>): void {
    const { gl } = this;
    const texels = new Float32Array(4 * LABELS * WASH_ROWS.count);
    const put = (label: number, row: number, values: readonly number[]): void =>
      texels.set(values, 4 * (row * LABELS + label));
    for (const [label, { kind, colours, run }] of washes) {
      colours.forEach(({ paint, photo }, i) => {
        put(label, WASH_ROWS.paint + i, [...paint, i === 0 ? colours.length : i === 1 ? WASH_KINDS.indexOf(kind) : 0]);
        put(label, WASH_ROWS.photo + i, [...photo, 0]);
      });
      if (run) put(label, WASH_ROWS.run, [run.from.x, run.from.y, run.to.x, run.to.y]);
    }
    this.unfiltered(gl.TEXTURE2, this.targets);
    gl.texImage2D(gl.TEXTURE_2D, 0, gl.RGBA32F, LABELS, WASH_ROWS.count, 0, gl.RGBA, gl.FLOAT, texels);
  }

  /** The photo's colours through the palette; null while they are not known. */
  setReach(cube: GamutTable | null): void {
    const { gl } = this;
    const side = cube?.side ?? 1;
    gl.activeTexture(gl.TEXTURE3);
    gl.bindTexture(gl.TEXTURE_3D, this.reach);
    for (const filter of [gl.TEXTURE_MIN_FILTER, gl.TEXTURE_MAG_FILTER])
      gl.texParameteri(gl.TEXTURE_3D, filter, gl.LINEAR);
    for (const wrap of [gl.TEXTURE_WRAP_S, gl.TEXTURE_WRAP_T, gl.TEXTURE_WRAP_R])
      gl.texParameteri(gl.TEXTURE_3D, wrap, gl.CLAMP_TO_EDGE);
    gl.texImage3D(
      gl.TEXTURE_3D,
      0,
      gl.RGBA8,
      side,
      side,
      side,
      0,
      gl.RGBA,
      gl.UNSIGNED_BYTE,
      cube?.rgba ?? new Uint8Array(4),
    );
    this.hasReach = cube !== null;
  }

  /** The sheet as it will look, at the map's size; null while it is not known. */
  setSheet(sheet: { readonly width: number; readonly height: number; readonly data: Uint8ClampedArray } | null): void {
    const { gl } = this;
    gl.activeTexture(gl.TEXTURE4);
    gl.bindTexture(gl.TEXTURE_2D, this.sheet);
    for (const filter of [gl.TEXTURE_MIN_FILTER, gl.TEXTURE_MAG_FILTER])
      gl.texParameteri(gl.TEXTURE_2D, filter, gl.LINEAR);
    for (const side of [gl.TEXTURE_WRAP_S, gl.TEXTURE_WRAP_T]) gl.texParameteri(gl.TEXTURE_2D, side, gl.CLAMP_TO_EDGE);
    const bytes = sheet
      ? new Uint8Array(sheet.data.buffer, sheet.data.byteOffset, sheet.data.length)
      : new Uint8Array(4);
    const [width, height] = sheet ? [sheet.width, sheet.height] : [1, 1];
    gl.texImage2D(gl.TEXTURE_2D, 0, gl.RGBA8, width, height, 0, gl.RGBA, gl.UNSIGNED_BYTE, bytes);
    this.hasSheet = sheet !== null;
  }

  private programOf(mode: number): WayProgram {
    const known = this.programs.get(mode) ?? compiled(this.gl, mode);
    this.programs.set(mode, known);
    return known;
  }

  draw({ viewport, seeing, valueSteps, white, marks, split, greyed }: Scene): void {
    const { gl } = this;
    const { program, at } = this.programOf(
      (seeing === "palette" && !this.hasReach) || (seeing === "planned" && !this.hasSheet)
        ? MODES.plain
        : MODES[seeing],
    );
    gl.useProgram(program);
    const { view } = viewport;
    const o = photoOfScreen(viewport, { x: 0, y: 0 });
    const x = photoOfScreen(viewport, { x: view.width, y: 0 });
    const y = photoOfScreen(viewport, { x: 0, y: view.height });
    gl.viewport(0, 0, gl.drawingBufferWidth, gl.drawingBufferHeight);
    gl.uniformMatrix3fv(at.toPhoto, false, [x.x - o.x, x.y - o.y, 0, y.x - o.x, y.y - o.y, 0, o.x, o.y, 1]);
    gl.uniformMatrix3fv(at.white, true, white);
    gl.uniform1f(at.split, split);
    gl.uniform1i(at.steps, valueSteps);
    if (valueSteps > 0) {
      gl.uniform1fv(at.limits, stepLimits(valueSteps));
      gl.uniform1fv(
        at.greys,
        Array.from({ length: valueSteps }, (_, step) => stepGrey(step, valueSteps)),
      );
    }
    gl.uniform1i(at.marks, marks ? 1 : 0);
    gl.uniform1i(at.greyed, greyed ? 1 : 0);
    gl.uniform3f(at.ground, 0.5, 0.5, 0.5);
    gl.drawArrays(gl.TRIANGLES, 0, 3);
  }
}
