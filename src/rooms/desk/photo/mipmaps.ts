import { linked } from "./linked-program";
import { VERTEX_SHADER } from "./view-shader";

/** Halvings of a photo that are drawn: 64 of its pixels side by side in one of the smallest level. */
const LEVELS = 6;

/** Reads the level above where its pixels meet, in linear light: the mean of those that a smaller one stands for. */
const HALVING_SHADER = `#version 300 es
precision highp float;
uniform sampler2D photo;
in vec2 at;
out vec4 halved;
void main() { halved = vec4(texture(photo, vec2(at.x, 1.0 - at.y)).rgb, 1.0); }`;

/** How many levels a texture of this size has, its own among them; its storage has so many. */
export const levelsOf = (widthPx: number, heightPx: number): number =>
  1 + Math.min(LEVELS, Math.floor(Math.log2(Math.max(widthPx, heightPx))));

/**
 * Draws the smaller levels of sRGB textures, each from the one above it, in linear light. What generateMipmap makes of
 * such a texture without a graphics card takes several times as long.
 */
export class MipmapPainter {
  private readonly program: WebGLProgram;
  private readonly surface: WebGLFramebuffer;

  constructor(private readonly gl: WebGL2RenderingContext) {
    this.program = linked(gl, VERTEX_SHADER, HALVING_SHADER);
    this.surface = gl.createFramebuffer();
    gl.useProgram(this.program);
    gl.uniform1i(gl.getUniformLocation(this.program, "photo"), 0);
  }

  /** Fills the smaller levels of `texture`, which is bound at unit 0 and was laid out by `levelsOf` this size, px. */
  draw(texture: WebGLTexture, width: number, height: number): void {
    const { gl } = this;
    gl.texParameteri(gl.TEXTURE_2D, gl.TEXTURE_MIN_FILTER, gl.LINEAR);
    gl.useProgram(this.program);
    gl.bindFramebuffer(gl.FRAMEBUFFER, this.surface);
    const smallest = levelsOf(width, height) - 1;
    for (let level = 1; level <= smallest; level++) {
      // Only the level above is read while this one is drawn on.
      gl.texParameteri(gl.TEXTURE_2D, gl.TEXTURE_BASE_LEVEL, level - 1);
      gl.texParameteri(gl.TEXTURE_2D, gl.TEXTURE_MAX_LEVEL, level - 1);
      gl.framebufferTexture2D(gl.FRAMEBUFFER, gl.COLOR_ATTACHMENT0, gl.TEXTURE_2D, texture, level);
      gl.viewport(0, 0, Math.max(1, width >> level), Math.max(1, height >> level));
      gl.drawArrays(gl.TRIANGLES, 0, 3);
    }
    gl.bindFramebuffer(gl.FRAMEBUFFER, null);
    gl.texParameteri(gl.TEXTURE_2D, gl.TEXTURE_BASE_LEVEL, 0);
    gl.texParameteri(gl.TEXTURE_2D, gl.TEXTURE_MAX_LEVEL, smallest);
    gl.texParameteri(gl.TEXTURE_2D, gl.TEXTURE_MIN_FILTER, gl.LINEAR_MIPMAP_LINEAR);
  }
}
