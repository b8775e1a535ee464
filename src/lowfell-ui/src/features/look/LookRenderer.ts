import {
  BufferAttribute,
  BufferGeometry,
  CustomBlending,
  DataTexture,
  FloatType,
  GLSL3,
  HalfFloatType,
  InterleavedBuffer,
  InterleavedBufferAttribute,
  LinearFilter,
  LinearSRGBColorSpace,
  MaxEquation,
  Mesh,
  NearestFilter,
  OneFactor,
  OrthographicCamera,
  PerspectiveCamera,
  PlaneGeometry,
  RawShaderMaterial,
  RGBAFormat,
  Scene,
  Vector3,
  WebGLRenderer,
  WebGLRenderTarget,
} from "three";
import type { IUniform } from "three";
import type { PieceLook } from "../../api/types";
import { mostLayers, sheetOf, sheetWidth } from "./marks";
import {
  flatFragmentShader,
  flatVertexShader,
  fragmentShader,
  mostLevels,
  mostParts,
  sheetFragmentShader,
  sheetVertexShader,
  vertexShader,
} from "./shader";
import type { View } from "./SharedView";

const angleDeg = 28;
const tableWidth = 16;
const degree = Math.PI / 180;
const mmPerMetre = 1000;
/** One minute of arc, as a part of the distance. */
const arcMinute = Math.tan(degree / 60);

/** What is drawn of it. */
export interface Shown {
  /** Coats on each zone, by its place; broken between two is a part of the next. */
  coats: number[];
  wet: boolean;
  /** Place of the one zone that stands out; -1 for none. */
  lit: number;
  /** Predicted colours alone. */
  plain: boolean;
  /** Distance that it is seen from, mm; 0 for from the hand. */
  distanceMm: number;
}

/** Draws a piece: its surface goes over once, its colours as a small table. */
export class LookRenderer {
  private readonly gl: WebGLRenderer;
  private readonly scene = new Scene();
  private readonly camera = new PerspectiveCamera(angleDeg, 1, 1, 5000);
  private readonly flat = new Scene();
  private readonly level = new OrthographicCamera(-1, 1, 1, -1, 0, 1);
  private readonly uniforms: Record<string, IUniform> = {
    table: { value: null },
    rows: { value: new Int32Array(4 * mostParts) },
    levels: { value: new Float32Array(mostParts * mostLevels) },
    coats: { value: new Float32Array(mostParts) },
    where: { value: null },
    sheet: { value: null },
    sheetSize: { value: [1, 1] },
    layerRows: { value: new Int32Array(mostLayers * mostParts) },
    layerCoats: { value: new Float32Array(mostLayers * mostParts) },
    boxLow: { value: new Vector3() },
    boxHigh: { value: new Vector3() },
    wet: { value: 0 },
    plain: { value: 0 },
    lit: { value: -1 },
    eye: { value: new Vector3() },
    toLamp: { value: new Vector3() },
    low: { value: new Vector3() },
    extent: { value: 1 },
  };
  private readonly painters = new Map<string, RawShaderMaterial>();
  private levels = false;
  private readonly last: RawShaderMaterial;
  private readonly marker: RawShaderMaterial;
  private sheet: WebGLRenderTarget | undefined;
  private marked = "";
  private marks = 0;
  private targets: [WebGLRenderTarget, WebGLRenderTarget] | undefined;
  private mesh: Mesh | undefined;
  private low = new Vector3();
  private high = new Vector3();
  private parts: number[] = [];
  private width = 1;
  private height = 1;
  private fine = 1;

  constructor(canvas: HTMLCanvasElement) {
    this.gl = new WebGLRenderer({ canvas, antialias: false, alpha: true, preserveDrawingBuffer: true });
    this.gl.outputColorSpace = LinearSRGBColorSpace;
    this.marker = new RawShaderMaterial({
      glslVersion: GLSL3,
      vertexShader: sheetVertexShader,
      fragmentShader: sheetFragmentShader,
      side: 2,
      depthTest: false,
      depthWrite: false,
      blending: CustomBlending,
      blendEquation: MaxEquation,
      blendSrc: OneFactor,
      blendDst: OneFactor,
    });
    this.last = new RawShaderMaterial({
      glslVersion: GLSL3,
      vertexShader: flatVertexShader,
      fragmentShader: flatFragmentShader,
      depthTest: false,
      depthWrite: false,
      uniforms: { picture: { value: null }, way: { value: [0, 0] }, arcmin: { value: 0 }, encode: { value: 0 } },
    });
    this.flat.add(new Mesh(new PlaneGeometry(2, 2), this.last));
    this.camera.up.set(0, 0, 1);
  }

  /** Takes a surface: binary glTF as the host writes it. */
  load(glb: ArrayBuffer) {
    const head = new DataView(glb);
    const length = head.getUint32(12, true);
    const json = JSON.parse(new TextDecoder().decode(new Uint8Array(glb, 20, length))) as Gltf;
    const from = 28 + length;
    const primitive = json.meshes[0]!.primitives[0]!;
    const view = (accessor: number) => json.bufferViews[json.accessors[accessor]!.bufferView]!;
    const of = (name: string) => view(primitive.attributes[name]!);
    const geometry = new BufferGeometry();
    const place = of("POSITION");
    const normal = of("NORMAL");
    const quads = (v: GltfView) => new BufferAttribute(new Uint8Array(glb, from + v.byteOffset, v.byteLength), 4, true);
    geometry.setAttribute(
      "position",
      new InterleavedBufferAttribute(
        new InterleavedBuffer(new Uint16Array(glb, from + place.byteOffset, place.byteLength / 2), 4),
        3,
        0,
        true,
      ),
    );
    geometry.setAttribute(
      "normal",
      new InterleavedBufferAttribute(
        new InterleavedBuffer(new Int8Array(glb, from + normal.byteOffset, normal.byteLength), 4),
        3,
        0,
        true,
      ),
    );
    geometry.setAttribute("fields", quads(of("_FIELDS")));
    geometry.setAttribute("extras", quads(of("_EXTRAS")));
    const indices = view(primitive.indices);
    const small = json.accessors[primitive.indices]!.componentType === 5123;
    geometry.setIndex(
      new BufferAttribute(
        small
          ? new Uint16Array(glb, from + indices.byteOffset, indices.byteLength / 2)
          : new Uint32Array(glb, from + indices.byteOffset, indices.byteLength / 4),
        1,
      ),
    );
    if (this.mesh) {
      this.scene.remove(this.mesh);
      this.mesh.geometry.dispose();
    }
    this.mesh = new Mesh(geometry);
    this.mesh.frustumCulled = false;
    this.scene.add(this.mesh);
    const node = json.nodes[1]!;
    const extent = node.scale[0]! * mmPerMetre;
    this.low.fromArray(node.translation).multiplyScalar(mmPerMetre);
    this.high
      .fromArray(json.accessors[primitive.attributes.POSITION!]!.max!)
      .multiplyScalar(extent / 65535)
      .add(this.low);
    this.uniforms.low!.value.copy(this.low);
    this.uniforms.extent!.value = extent;
  }

  /** Takes the colours of a look. */
  dye(look: PieceLook) {
    const bytes = Uint8Array.from(atob(look.table), (c) => c.charCodeAt(0));
    // A piece without zones has no colours, and a texture no less than one row.
    const halves = look.rows > 0 ? new Uint16Array(bytes.buffer) : new Uint16Array(4 * tableWidth);
    const texture = new DataTexture(halves, tableWidth, Math.max(1, look.rows), RGBAFormat, HalfFloatType);
    texture.minFilter = texture.magFilter = NearestFilter;
    texture.needsUpdate = true;
    const { table, rows, levels, layerRows, layerCoats } = this.uniforms;
    (table!.value as DataTexture | null)?.dispose();
    table!.value = texture;
    this.mark(look);
    this.levels = look.zones.some((z) => z.levelsMm.length > 1);
    this.marks = look.marks.length;
    this.parts = look.parts.map((p) => look.zones.findIndex((z) => z.id === p.zoneId));
    this.parts.forEach((zone, part) => {
      const of = look.zones[zone];
      (rows!.value as Int32Array).set(
        of ? [of.first, of.coats.length, of.levelsMm.length, zone] : [0, 0, 1, -1],
        4 * part,
      );
      for (let i = 0; i < mostLayers; i++) {
        const layer = of?.layers[i];
        (layerRows!.value as Int32Array)[part * mostLayers + i] = layer?.first ?? 0;
        // One that is not there is never laid.
        (layerCoats!.value as Float32Array)[part * mostLayers + i] = layer?.coat ?? 1e6;
      }
      for (let i = 0; i < mostLevels; i++)
        (levels!.value as Float32Array)[part * mostLevels + i] = of?.levelsMm[Math.min(i, of.levelsMm.length - 1)] ?? 0;
    });
  }

  // What is alike for the whole picture is compiled in or out.
  private painter(shown: Shown): RawShaderMaterial {
    const defines = {
      ...(shown.coats.some((laid) => laid % 1 > 0) ? { BETWEEN: 1 } : {}),
      ...(this.marks > 0 ? { MARKED: 1 } : {}),
      ...(this.levels ? { LEVELS: 1 } : {}),
    };
    const key = Object.keys(defines).join();
    const known = this.painters.get(key);
    if (known) return known;
    const { uniforms } = this;
    const made = new RawShaderMaterial({
      glslVersion: GLSL3,
      vertexShader,
      fragmentShader,
      side: 2,
      uniforms,
      defines,
    });
    this.painters.set(key, made);
    return made;
  }

  // Draws the sheet of marks, where they are others than before.
  private mark(look: PieceLook) {
    const { where, sheet, sheetSize, boxLow, boxHigh } = this.uniforms;
    (boxLow!.value as Vector3).fromArray(look.box.low);
    (boxHigh!.value as Vector3).fromArray(look.box.high);
    const text = JSON.stringify([look.marks, look.zones.length]);
    if (text === this.marked) return;
    this.marked = text;
    const of = sheetOf(look);
    (where!.value as DataTexture | null)?.dispose();
    const regions = new DataTexture(of.where, 2, of.rows, RGBAFormat, FloatType);
    regions.minFilter = regions.magFilter = NearestFilter;
    regions.needsUpdate = true;
    where!.value = regions;
    this.sheet?.dispose();
    this.sheet = new WebGLRenderTarget(sheetWidth, of.height, {
      depthBuffer: false,
      minFilter: LinearFilter,
      magFilter: LinearFilter,
    });
    sheet!.value = this.sheet.texture;
    sheetSize!.value = [sheetWidth, of.height];
    const geometry = new BufferGeometry();
    geometry.setAttribute("corner", new BufferAttribute(of.corners, 4));
    geometry.setAttribute("size", new BufferAttribute(of.shapes, 4));
    geometry.setAttribute("kind", new BufferAttribute(of.kinds, 3));
    geometry.setIndex(new BufferAttribute(of.index, 1));
    const drawn = new Mesh(geometry, this.marker);
    drawn.frustumCulled = false;
    const scene = new Scene();
    scene.add(drawn);
    this.gl.setRenderTarget(this.sheet);
    this.gl.setClearColor(0x000000, 0);
    this.gl.clear();
    if (look.marks.length > 0) this.gl.render(scene, this.level);
    this.gl.setRenderTarget(null);
    geometry.dispose();
  }

  /** Size of the picture in points, and how many points are drawn for each of them, each way. */
  size(width: number, height: number, fine: number) {
    if (width === this.width && height === this.height && fine === this.fine && this.targets) return;
    [this.width, this.height, this.fine] = [width, height, fine];
    this.gl.setPixelRatio(1);
    this.gl.setSize(width, height, false);
    this.targets?.forEach((t) => t.dispose());
    const target = () =>
      new WebGLRenderTarget(Math.max(1, Math.round(width * fine)), Math.max(1, Math.round(height * fine)), {
        type: HalfFloatType,
        minFilter: LinearFilter,
        magFilter: LinearFilter,
      });
    this.targets = [target(), target()];
  }

  /** Draws it. Answers points of the screen for each millimetre in the middle of the piece. */
  draw(view: View, shown: Shown): number {
    if (!this.targets || !this.mesh || !this.uniforms.table!.value) return 1;
    const u = this.uniforms;
    this.parts.forEach((zone, part) => ((u.coats!.value as Float32Array)[part] = shown.coats[zone] ?? 0));
    this.mesh.material = this.painter(shown);
    u.wet!.value = shown.wet ? 1 : 0;
    u.plain!.value = shown.plain ? 1 : 0;
    u.lit!.value = shown.lit;
    const distance = this.look(view);
    const pxPerMm = this.height / (2 * distance * Math.tan((angleDeg / 2) * degree));
    const [one, two] = this.targets;
    this.gl.setRenderTarget(one);
    this.gl.setClearColor(0x000000, 0);
    this.gl.clear();
    this.gl.render(this.scene, this.camera);
    const q = this.last.uniforms;
    const arcmin = shown.distanceMm > 0 ? 1 / (pxPerMm * this.fine * shown.distanceMm * arcMinute) : 0;
    q.arcmin!.value = arcmin;
    if (arcmin > 0) {
      q.picture!.value = one.texture;
      q.way!.value = [1 / one.width, 0];
      q.encode!.value = 0;
      this.gl.setRenderTarget(two);
      this.gl.clear();
      this.gl.render(this.flat, this.level);
    }
    q.picture!.value = arcmin > 0 ? two.texture : one.texture;
    q.way!.value = [0, 1 / one.height];
    q.encode!.value = 1;
    this.gl.setRenderTarget(null);
    this.gl.clear();
    this.gl.render(this.flat, this.level);
    return pxPerMm;
  }

  /** The picture row by row from its foot: red, green, blue and how much of it is there, 0..255. */
  pixels(): Uint8Array {
    const gl = this.gl.getContext();
    const rgba = new Uint8Array(4 * this.width * this.height);
    gl.readPixels(0, 0, this.width, this.height, gl.RGBA, gl.UNSIGNED_BYTE, rgba);
    return rgba;
  }

  /** Waits until it is drawn; how long that took, ms. */
  wait(): number {
    const from = performance.now();
    const gl = this.gl.getContext();
    gl.readPixels(0, 0, 1, 1, gl.RGBA, gl.UNSIGNED_BYTE, new Uint8Array(4));
    return performance.now() - from;
  }

  /** What lies in the memory of the graphics. */
  held() {
    return { ...this.gl.info.memory };
  }

  end() {
    this.mesh?.geometry.dispose();
    for (const of of ["table", "where"]) (this.uniforms[of]!.value as DataTexture | null)?.dispose();
    this.targets?.forEach((t) => t.dispose());
    this.sheet?.dispose();
    for (const painter of this.painters.values()) painter.dispose();
    this.marker.dispose();
    this.last.dispose();
    this.gl.dispose();
  }

  // As the host's own renderer has it (LookView).
  private look(view: View): number {
    const aspect = this.width / this.height;
    const half = (angleDeg / 2) * degree;
    const fits = Math.atan(Math.tan(half) * Math.min(1, aspect));
    const radius = Math.max(0.01, this.low.distanceTo(this.high) / 2);
    const distance = ((radius / Math.sin(fits)) * 0.95) / Math.max(0.05, view.near);
    const [turn, lift] = [view.turnDeg * degree, view.liftDeg * degree];
    const away = new Vector3(Math.sin(turn) * Math.cos(lift), -Math.cos(turn) * Math.cos(lift), Math.sin(lift));
    const middle = this.low.clone().add(this.high).multiplyScalar(0.5);
    this.camera.aspect = aspect;
    this.camera.near = Math.max(0.1, distance - 2 * radius);
    this.camera.far = distance + 2 * radius;
    this.camera.position.copy(middle).addScaledVector(away, distance);
    this.camera.lookAt(middle);
    this.camera.updateProjectionMatrix();
    this.camera.updateMatrixWorld();
    const u = this.uniforms;
    u.eye!.value.copy(this.camera.position);
    const ahead = new Vector3(-away.x, -away.y, 0);
    if (ahead.lengthSq() < 1e-6) ahead.set(0, 1, 0);
    ahead.normalize();
    const right = new Vector3().crossVectors(ahead, new Vector3(0, 0, 1));
    u.toLamp!.value.set(0, 0, 0.74).addScaledVector(right, -0.45).addScaledVector(ahead, -0.5).normalize();
    return distance;
  }
}

interface GltfView {
  byteOffset: number;
  byteLength: number;
}

interface Gltf {
  meshes: { primitives: { attributes: Record<string, number>; indices: number }[] }[];
  accessors: { bufferView: number; componentType: number; max?: number[] }[];
  bufferViews: GltfView[];
  nodes: { scale: number[]; translation: number[] }[];
}
