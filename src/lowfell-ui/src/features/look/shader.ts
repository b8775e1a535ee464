import { sides } from "./marks";

// The same sums as the host's own renderer (Lowfell.Core, Meshes/Looks): tests hold the two against each other.

/** Most parts of a piece, and most heights that a fading coat is told at. */
export const mostParts = 12;
export const mostLevels = 6;

export const vertexShader = `precision highp float;
in vec3 position; in vec3 normal; in vec4 fields; in vec4 extras;
uniform mat4 viewMatrix, projectionMatrix; uniform vec3 low; uniform float extent;
uniform ivec4 layerRows[${mostParts}]; uniform vec4 layerCoats[${mostParts}]; uniform float coats[${mostParts}];
out vec3 place; out vec3 n; out vec4 f; out float run; flat out int part; flat out ivec4 within; flat out vec4 shares;
void main() {
  place = low + position * extent; n = normal; f = fields; run = extras.y; part = int(extras.x * 255. + .5);
  within = layerRows[part]; shares = clamp(vec4(coats[part]) - layerCoats[part], 0., 1.);
  gl_Position = projectionMatrix * viewMatrix * vec4(place, 1.);
}`;

export const fragmentShader = `precision highp float; precision highp int; precision highp sampler2D;
in vec3 place; in vec3 n; in vec4 f; in float run; flat in int part; flat in ivec4 within; flat in vec4 shares;
uniform sampler2D table; uniform ivec4 rows[${mostParts}]; uniform float levels[${mostParts * mostLevels}];
uniform float coats[${mostParts}]; uniform int wet, plain, lit; uniform vec3 eye, toLamp;
uniform sampler2D where, sheet; uniform vec2 sheetSize; uniform vec3 boxLow, boxHigh;
out vec4 result;
float chance(vec2 p) {
  uint h = uint(int(p.x)) * 0x9E3779B1u ^ uint(int(p.y)) * 0x85EBCA77u;
  h ^= h >> 15; h *= 0x2C1B3C6Du; h ^= h >> 12; h *= 0x297A2D39u; h ^= h >> 15;
  return float(h >> 8) * (1. / 16777216.);
}
float plane(vec2 p) {
  vec2 i = floor(p), t = p - i; t = t * t * (3. - 2. * t);
  return mix(mix(chance(i), chance(i + vec2(1, 0)), t.x), mix(chance(i + vec2(0, 1)), chance(i + vec2(1, 1)), t.x), t.y);
}
float noise(vec3 p) { return (plane(p.xy) + plane(p.yz + 7.) + plane(p.zx + 13.)) / 3.; }
vec3 at(int row, int column) { return texelFetch(table, ivec2(column, row), 0).rgb; }
vec3 after(int first, int laid, float recess, float edge, out vec2 shine) {
  int count = rows[part].z;
  float s = f.z;
  float k = s >= .7 ? (1. - s) / .3 : s >= .3 ? 1. + (.7 - s) / .4 : s >= .05 ? 2. + (.3 - s) / .25 : 3. + (.05 - s) / .05;
  k = clamp(k, 0., 3.999); int i = int(k); float t = k - float(i);
  int level = 0;
  for (int l = 1; l < ${mostLevels - 1}; l++) if (l + 1 < count && place.z > levels[part * ${mostLevels} + l]) level = l;
  float from = levels[part * ${mostLevels} + level], to = levels[part * ${mostLevels} + level + 1];
  float share = count > 1 ? clamp((place.z - from) / max(1e-3, to - from), 0., 1.) : 0.;
  vec3 sum = vec3(0.);
  for (int l = 0; l < 2; l++) {
#ifndef LEVELS
    if (l == 1) break;
#else
    if (l == 1 && count < 2) break;
#endif
    int row = first + (laid * count + level + l) * 2 + wet;
    vec3 s = at(row, 15); shine = s.rg;
    float wr = recess;
    if (plain == 0 && s.b > 0.) {
      float stripe = run > 0. ? max(0., plane(vec2((place.x + place.y) * .35, place.z * .03)) - .35) : 0.;
      wr = clamp(recess * (1. + s.b * (.4 * f.z - .4)) + s.b * 1.1 * run * stripe * (1. - recess), 0., 1.);
    }
    float we = edge * (1. - wr), wf = 1. - wr - we;
    vec3 c = wr * mix(at(row, i), at(row, i + 1), t) + wf * mix(at(row, 5 + i), at(row, 6 + i), t) + we * mix(at(row, 10 + i), at(row, 11 + i), t);
    sum += c * (count < 2 ? 1. : l == 0 ? 1. - share : share);
  }
  return sum;
}
// What is alike for the whole picture is compiled in or out: renderers without graphics go both ways of a branch.
vec3 laidOn(int first, float laid, float recess, float edge, out vec2 shine) {
  int low = int(laid); float rest = laid - float(low);
  vec3 colour = after(first, low, recess, edge, shine);
#ifdef BETWEEN
  { vec2 s; colour = mix(colour, after(first, min(low + 1, rows[part].y), recess, edge, s), rest); shine = mix(shine, s, rest); }
#endif
  return colour;
}
// How much the marks of each coat cover, from the sheet that they were drawn on.
vec4 cover(int zone, vec3 N) {
  int side = N.z > .7 ? 4 : abs(N.y) >= abs(N.x) ? (N.y <= 0. ? 0 : 2) : N.x > 0. ? 1 : 3;
  vec3 q = place - boxLow; vec3 to = boxHigh - place;
  vec2 on = side == 0 ? vec2(q.x, place.z) : side == 1 ? vec2(q.y, place.z) : side == 2 ? vec2(to.x, place.z) : side == 3 ? vec2(to.y, place.z) : q.xy;
  int row = zone * ${sides} + side;
  vec4 region = texelFetch(where, ivec2(0, row), 0), scale = texelFetch(where, ivec2(1, row), 0);
  vec2 at = (on - scale.xy) * scale.z;
  bool inside = all(greaterThanEqual(at, vec2(0.))) && all(lessThan(at, region.zw));
  vec4 covered = texture(sheet, (region.xy + at) / sheetSize);
  return inside ? covered : vec4(0.);
}
void main() {
  float recess = f.x, edge = f.y;
  if (plain == 0) {
    float e = .9 * (noise(place * 2.3) - .5);
    recess = clamp(recess * (1. + e), 0., 1.); edge = clamp(edge * (1. + 1.3 * e), 0., 1.);
  }
  float laid = clamp(coats[part], 0., float(rows[part].y));
  vec3 N = normalize(n);
  // A part that shows no zone is bare grey.
  vec2 shine = vec2(.1, 0.); vec3 colour = vec3(.3);
  if (rows[part].w >= 0) colour = laidOn(rows[part].x, laid, recess, edge, shine);
#ifdef MARKED
  if (plain == 0) {
    // Layers over one another: what shows most of them, and as much as all of them cover.
    vec4 covered = cover(max(0, rows[part].w), N) * shares;
    vec3 beneath = vec3((1. - covered.y) * (1. - covered.z) * (1. - covered.w), (1. - covered.z) * (1. - covered.w), 1. - covered.w);
    vec4 seen = vec4(covered.xyz * beneath, covered.w);
    float under = beneath.x * (1. - covered.x), most = max(max(seen.x, seen.y), max(seen.z, seen.w));
    int first = seen.w >= most ? within.w : seen.z >= most ? within.z : seen.y >= most ? within.y : within.x;
    vec2 s; vec3 inner = laidOn(first, laid, recess, edge, s);
    if (most > 0.) { colour = mix(inner, colour, under); shine = mix(s, shine, under); }
  }
#endif
  if (plain == 1) { result = vec4(colour, 1.); return; }
  vec3 toEye = normalize(eye - place);
  float gloss = shine.x, metal = shine.y, open = f.w, faces = max(0., dot(N, toLamp));
  float ambient = (.3 + .2 * (.5 + .5 * N.z)) * (.35 + .65 * open) * 1.25;
  float q = clamp((open - .15) / .6, 0., 1.); float shade = .25 + .75 * q * q * (3. - 2. * q);
  vec3 light = colour * (ambient + .78 * faces * shade) * (1. - .25 * metal);
  vec3 halfway = normalize(toLamp + toEye);
  float sharp = 4. + 116. * gloss * gloss + 30. * metal;
  float strength = (gloss > 0. ? .02 + .34 * gloss * gloss : 0.) + .55 * metal;
  float spot = faces > 0. ? strength * pow(max(0., dot(N, halfway)), sharp) * shade : 0.;
  light += mix(vec3(1.), colour * 1.6, metal) * spot;
  if (lit >= 0 && rows[part].w != lit) light = mix(vec3(.32), light, .22);
  result = vec4(light, 1.);
}`;

/** Draws the sheet of marks: a rectangle each, one channel for each coat, the most of those that lie over one another. */
export const sheetVertexShader = `precision highp float;
in vec4 corner; in vec4 size; in vec3 kind; out vec2 d; flat out vec4 of; flat out vec3 what;
void main() { d = corner.zw; of = size; what = kind; gl_Position = vec4(corner.xy, 0., 1.); }`;

export const sheetFragmentShader = `precision highp float;
in vec2 d; flat in vec4 of; flat in vec3 what; out vec4 result;
void main() {
  float u = d.x * of.z + d.y * of.w, v = d.y * of.z - d.x * of.w, w = of.x, l = of.y, seed = what.x * 97.;
  int shape = int(what.y + .5), layer = int(what.z + .5);
  float down = .5 - v / l; bool streak = shape == 0, band = shape == 4;
  float noise = .5 * sin(streak ? seed + down * l * 1.2 : band ? u * .6 + seed : u * 5.3 / w + seed) * (streak || band ? 1. : sin(v * 5.3 / l + seed * 1.7));
  float half_ = w / 2. * (1. - .55 * down);
  float r = sqrt(4. * u * u / (w * w) + 4. * v * v / (l * l)) + (shape == 1 ? .7 * noise : 0.);
  // Across: how far out of how much is soft; along likewise.
  float x = streak ? abs(u - w * .3 * noise) : shape <= 2 ? r : abs(u), y = band ? abs(v + l * .25 * noise) : abs(v);
  vec2 soft = streak ? vec2(half_ * .5, half_) : shape <= 2 ? vec2(.82, 1.) : band ? vec2(w * .49, w * .5) : vec2(w * .35, w * .5);
  float along = streak ? smoothstep(0., .06, down) * (1. - down) : shape <= 2 ? 1. : 1. - smoothstep(l * (band ? .32 : .47), l * .5, y);
  float share = abs(v) > l * .7 || (!band && abs(u) > w * .7) || (streak && (down <= 0. || down >= 1.)) ? 0. : (1. - smoothstep(soft.x, soft.y, x)) * along;
  result = share * vec4(equal(ivec4(0, 1, 2, 3), ivec4(layer)));
}`;

export const flatVertexShader = `precision highp float; in vec3 position; out vec2 uv;
void main() { uv = position.xy * .5 + .5; gl_Position = vec4(position.xy, 0., 1.); }`;

/** The eye's line spread (Westheimer 1986) along one way, in linear light; then, where it is wanted, the display's curve. */
export const flatFragmentShader = `precision highp float; precision highp sampler2D; in vec2 uv; out vec4 result;
uniform sampler2D picture; uniform vec2 way; uniform float arcmin; uniform int encode;
void main() {
  vec4 sum = vec4(0.); float whole = 0.;
  if (arcmin <= 0.) { sum = texture(picture, uv); whole = 1.; }
  else for (int i = -40; i <= 40; i++) {
    float x = abs(float(i)) * arcmin; if (x > 6.) continue;
    float w = .47 * exp(-3.3 * x * x) + .53 * exp(-.93 * x);
    sum += w * texture(picture, uv + way * float(i)); whole += w;
  }
  sum /= whole;
  if (encode == 1) {
    vec3 c = clamp(sum.a > 0. ? sum.rgb / sum.a : vec3(0.), 0., 1.);
    c = mix(c * 12.92, 1.055 * pow(c, vec3(1. / 2.4)) - .055, step(.0031308, c));
    sum = vec4(c * sum.a, sum.a);
  }
  result = sum;
}`;
