import { BURNT_BYTE, BLOCKED_BYTE, LINEAR, MAX_STEPS, viewing } from "@/core/image";
import { GAMUT_TABLE_MISS } from "@/core/palette";

const number = (x: number): string => (Number.isInteger(x) ? x.toFixed(1) : String(x));
const pair = ([a, b]: readonly [number, number]): string => `vec2(${number(a)}, ${number(b)})`;

/** One triangle over the whole surface; `at` runs 0 to 1 from its top left corner. */
export const VERTEX_SHADER = `#version 300 es
out vec2 at;
void main() {
  vec2 corner = vec2(gl_VertexID == 1 ? 3.0 : -1.0, gl_VertexID == 2 ? 3.0 : -1.0);
  at = vec2(corner.x * 0.5 + 0.5, 0.5 - corner.y * 0.5);
  gl_Position = vec4(corner, 0.0, 1.0);
}`;

/** From this miss on, CIELAB with the value weight, a place counts as out of the palette's reach. From memory. */
const OUT_OF_REACH_MISS = 8;

/**
 * Rows of the texture that says how each label's area is laid: three colours to paint (encoded sRGB; alpha of the first
 * is how many there are, of the second the kind of wash), the photo's colour for each (OKLab), and the run's two ends.
 */
export const WASH_ROWS = { paint: 0, photo: 3, run: 6, count: 7 } as const;

/** Numbers of the ways of seeing in the shader. */
export const MODES = {
  plain: 0,
  values: 1,
  heightened: 2,
  temperature: 3,
  hue: 4,
  squint: 5,
  palette: 6,
  planned: 7,
} as const;

/**
 * One way of seeing on the graphics card. The rules and constants are the core's (photo/views), which a browser test
 * holds this to. Each way is a program of its own: a small one is compiled in a fraction of the time of all of them.
 */
export const fragmentShader = (mode: number): string => `#version 300 es
precision highp float;
precision highp usampler2D;
in vec2 at;
out vec4 shown;
uniform sampler2D photo;        // linear Display P3 when read
uniform usampler2D areas;       // the areas' map
uniform sampler2D targets;      // one column for each label, rows as in WASH_ROWS
uniform mat3 toPhoto;           // surface 0..1 -> photo 0..1
uniform mat3 white;
const int mode = ${mode};
uniform int steps;
uniform float limits[${MAX_STEPS}];
uniform float greys[${MAX_STEPS}];
uniform bool marks;
uniform mediump sampler3D reach; // encoded Display P3 -> encoded sRGB that the palette makes; alpha: by how much it misses
uniform float split;            // the photo as it is to the left of this share of the view
uniform sampler2D sheet;        // the sheet as it will look, encoded sRGB
uniform bool greyed;            // the sheet in steps of grey
uniform vec3 ground;            // encoded sRGB beyond the photo

const mat3 P3_TO_SRGB = mat3(1.2249401762805598, -0.04205695470968816, -0.019637554590334432, -0.22494017628055996, 1.0420569547096883, -0.07863604555063188, 0.0, 0.0, 1.0982736001409663);

vec3 cuberoot(vec3 x) { return sign(x) * pow(abs(x), vec3(1.0 / 3.0)); }
vec3 toOklab(vec3 c) {
  vec3 lms = cuberoot(vec3(dot(c, vec3(0.4122214708, 0.5363325363, 0.0514459929)), dot(c, vec3(0.2119034982, 0.6806995451, 0.1073969566)), dot(c, vec3(0.0883024619, 0.2817188376, 0.6299787005))));
  return vec3(dot(lms, vec3(0.2104542553, 0.793617785, -0.0040720468)), dot(lms, vec3(1.9779984951, -2.428592205, 0.4505937099)), dot(lms, vec3(0.0259040371, 0.7827717662, -0.808675766)));
}
vec3 fromOklab(vec3 k) {
  vec3 lms = vec3(k.x + 0.3963377774 * k.y + 0.2158037573 * k.z, k.x - 0.1055613458 * k.y - 0.0638541728 * k.z, k.x - 0.0894841775 * k.y - 1.291485548 * k.z);
  lms = lms * lms * lms;
  return vec3(dot(lms, vec3(4.0767416621, -3.3077115913, 0.2309699292)), dot(lms, vec3(-1.2684380046, 2.6097574011, -0.3413193965)), dot(lms, vec3(-0.0041960863, -0.7034186147, 1.707614701)));
}
bool inScreen(vec3 c) { return min(c.r, min(c.g, c.b)) >= -0.0005 && max(c.r, max(c.g, c.b)) <= 1.0005; }
vec3 within(vec3 k) {
  vec3 whole = fromOklab(k);
  if (inScreen(whole)) return whole;
  float low = 0.0;
  float high = 1.0;
  for (int i = 0; i < ${viewing.CHROMA_STEPS}; i++) {
    float part = 0.5 * (low + high);
    if (inScreen(fromOklab(vec3(k.x, k.yz * part)))) low = part; else high = part;
  }
  return fromOklab(vec3(k.x, k.yz * low));
}
vec3 labF(vec3 t) { return mix((24389.0 / 27.0 * t + 16.0) / 116.0, cuberoot(t), step(vec3(216.0 / 24389.0), t)); }
float temperatureOf(vec3 c) {
  vec3 f = labF(vec3(dot(c, vec3(0.41239079926595934, 0.357584339383878, 0.1804807884018343)) / 0.9504559270516716,
    dot(c, vec3(0.21263900587151027, 0.715168678767756, 0.07219231536073371)),
    dot(c, vec3(0.01933081871559182, 0.11919477979462598, 0.9505321522496607)) / 1.0890577507598784));
  float pole = radians(55.0);
  return 500.0 * (f.x - f.y) * cos(pole) + 200.0 * (f.y - f.z) * sin(pole);
}
vec3 encoded(vec3 c) {
  c = clamp(c, 0.0, 1.0);
  return mix(12.92 * c, 1.055 * pow(c, vec3(1.0 / 2.4)) - 0.055, step(vec3(0.0031308), c));
}
vec3 decoded(vec3 c) {
  return mix(c / 12.92, pow((c + 0.055) / 1.055, vec3(2.4)), step(vec3(0.04045), c));
}
vec3 inSteps(vec3 c) {
  float Y = dot(c, vec3(0.21263900587151027, 0.715168678767756, 0.07219231536073371));
  if (steps == 0) return vec3(Y);
  float grey = greys[0];
  for (int i = 1; i < ${MAX_STEPS}; i++) if (i < steps && Y >= limits[i - 1]) grey = greys[i];
  return vec3(grey);
}
vec3 seen(vec3 light) {
  vec3 c = P3_TO_SRGB * light;
  if (mode == 0) return c;
  if (mode == 1) return inSteps(c);
  vec3 k = toOklab(c);
  if (mode == 2) return within(vec3(k.x, ${number(viewing.HEIGHTENING)} * k.yz));
  if (mode == 3) {
    float t = temperatureOf(c);
    float strength = min(1.2, abs(t) / ${number(viewing.FULL_TEMPERATURE)});
    return within(vec3(k.x, (t > 0.0 ? ${pair(viewing.WARM_AB)} : ${pair(viewing.COOL_AB)}) * strength));
  }
  float chroma = length(k.yz);
  float part = smoothstep(${number(viewing.HUE_SEEN[0])}, ${number(viewing.HUE_SEEN[1])}, chroma) * ${number(viewing.HUE_CHROMA)} / max(chroma, 1e-6);
  return within(vec3(${number(viewing.HUE_LIGHTNESS)}, k.yz * part));
}
vec4 washRow(int label, int row) { return texelFetch(targets, ivec2(label, row), 0); }
// The colour that an area's wash has at a place of the map; alpha 0 where there is no area.
vec4 washAt(ivec2 p, ivec2 size) {
  p = clamp(p, ivec2(0), size - 1);
  int label = int(texelFetch(areas, p, 0).r);
  vec4 first = washRow(label, ${WASH_ROWS.paint});
  vec4 second = washRow(label, ${WASH_ROWS.paint} + 1);
  vec3 third = washRow(label, ${WASH_ROWS.paint} + 2).rgb;
  float count = first.a;
  if (count < 0.5) return vec4(0.0);
  if (count < 1.5) return vec4(first.rgb, 1.0);
  vec2 uv = (vec2(p) + 0.5) / vec2(size);
  if (second.a < 1.5) {
    vec4 run = washRow(label, ${WASH_ROWS.run});
    vec2 along = (run.zw - run.xy) * vec2(size);
    float t = clamp(dot((uv - run.xy) * vec2(size), along) / max(dot(along, along), 1e-6), 0.0, 1.0);
    if (count < 2.5) return vec4(mix(first.rgb, second.rgb, t), 1.0);
    return vec4(t < 0.5 ? mix(first.rgb, second.rgb, 2.0 * t) : mix(second.rgb, third, 2.0 * t - 1.0), 1.0);
  }
  // Varied and layered: each place takes the colour that the photo is nearest to there, melting or crisp.
  bool melts = second.a < 2.5;
  vec3 own = toOklab(P3_TO_SRGB * (white * textureLod(photo, uv, melts ? 4.0 : 2.0).rgb));
  vec3 away = vec3(1e3);
  for (int i = 0; i < 3; i++) if (float(i) < count - 0.5) away[i] = distance(own, washRow(label, ${WASH_ROWS.photo} + i).rgb);
  // Against the nearest, so that no power runs out of the range of numbers.
  vec3 weights = pow((min(away.x, min(away.y, away.z)) + 1e-3) / (away + 1e-3), vec3(melts ? 3.0 : 24.0));
  weights /= weights.x + weights.y + weights.z;
  return vec4(weights.x * first.rgb + weights.y * second.rgb + weights.z * third, 1.0);
}
void main() {
  vec2 uv = (toPhoto * vec3(at, 1.0)).xy;
  if (uv.x < 0.0 || uv.y < 0.0 || uv.x > 1.0 || uv.y > 1.0) {
    shown = vec4(ground, 1.0);
    return;
  }
  vec3 light = texture(photo, uv).rgb;
  if (mode == 5) {
    ivec2 size = textureSize(areas, 0);
    vec2 p = uv * vec2(size) - 0.5;
    ivec2 base = ivec2(floor(p));
    vec2 f = smoothstep(0.0, 1.0, fract(p));
    vec4 colour = mix(mix(washAt(base, size), washAt(base + ivec2(1, 0), size), f.x), mix(washAt(base + ivec2(0, 1), size), washAt(base + ivec2(1, 1), size), f.x), f.y);
    // What is no area yet keeps the photo, faint, under a hatching.
    vec3 faint = mix(encoded(P3_TO_SRGB * (white * light)), vec3(0.62), 0.75);
    if (mod(gl_FragCoord.x + gl_FragCoord.y, 9.0) < 1.5) faint -= 0.09;
    shown = vec4(colour.a > 0.01 ? mix(faint, colour.rgb / colour.a, colour.a) : faint, 1.0);
    return;
  }
  if (mode == 6) {
    vec3 side = vec3(textureSize(reach, 0));
    vec4 reached = texture(reach, (encoded(white * light) * (side - 1.0) + 0.5) / side);
    vec3 painted = reached.rgb;
    if (marks && reached.a > ${number(OUT_OF_REACH_MISS / GAMUT_TABLE_MISS)}) painted = mix(painted, vec3(painted.g < 0.5 ? 1.0 : 0.0), 0.7 * step(8.2, mod(gl_FragCoord.x + gl_FragCoord.y, 10.0)));
    shown = vec4(at.x < split ? encoded(P3_TO_SRGB * (white * light)) : painted, 1.0);
    return;
  }
  if (mode == 7) {
    vec3 own = encoded(P3_TO_SRGB * (white * light));
    vec3 painted = texture(sheet, uv).rgb;
    vec3 c = at.x < split ? own : painted;
    shown = vec4(greyed ? encoded(inSteps(decoded(c))) : c, 1.0);
    return;
  }
  vec3 colour = encoded(seen(white * light));
  if (marks) {
    ivec2 size = textureSize(photo, 0);
    vec3 own = texelFetch(photo, clamp(ivec2(uv * vec2(size)), ivec2(0), size - 1), 0).rgb;
    float high = max(own.r, max(own.g, own.b));
    // Burnt out: bars of black and white rising to the right. Blocked: falling bars.
    if (high >= ${number(LINEAR[BURNT_BYTE]! - 1e-4)}) colour = vec3(step(4.0, mod(gl_FragCoord.x - gl_FragCoord.y, 8.0)));
    else if (high <= ${number(LINEAR[BLOCKED_BYTE]! + 1e-5)}) colour = vec3(step(4.0, mod(gl_FragCoord.x + gl_FragCoord.y, 8.0)) * 0.8);
  }
  shown = vec4(colour, 1.0);
}`;
