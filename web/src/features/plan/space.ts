/** The scene of a plan, drawn in space: what the server hands out as glTF, lit, turned and in the colours of the page. */
import {
  AmbientLight,
  Box3,
  BufferAttribute,
  CanvasTexture,
  Color,
  DirectionalLight,
  DoubleSide,
  FrontSide,
  Group,
  Line,
  LineBasicMaterial,
  LineSegments,
  type Material,
  Mesh,
  MeshLambertMaterial,
  Object3D,
  PerspectiveCamera,
  Plane,
  Scene,
  Spherical,
  Sprite,
  SpriteMaterial,
  Vector3,
  WebGLRenderer,
} from "three";
import { OrbitControls } from "three/addons/controls/OrbitControls.js";
import { GLTFLoader } from "three/addons/loaders/GLTFLoader.js";

export const SIDES = ["front", "left", "back", "right", "top"] as const;
export type Side = (typeof SIDES)[number];
export const SHOWN = ["now", "after", "both"] as const;
export type Shown = (typeof SHOWN)[number];

/** Where the eye is from each side, as a direction from the middle of the head; +x is the client's left. */
export const EYES: Record<Side, readonly [number, number, number]> = {
  front: [0, 0.12, 1],
  left: [1, 0.12, 0],
  back: [0, 0.12, -1],
  right: [-1, 0.12, 0],
  top: [0, 1, 0.02],
};

/** The custom property of the page that colours a part. */
const COLOURS: Record<string, string> = {
  head: "--bust-skin",
  body: "--bust-body",
  "head lines": "--bust-ink",
  section: "--aim",
  hand: "--aim",
  "held before": "--aim",
  guide: "--warn",
  fingers: "--hand",
  comb: "--ink",
};
/** Parts in the tone of the hair, and how light each is: full light falls on no more than a few locks. */
const HAIR: Record<string, number> = { scalp: 0.5, "hair now": 1.7, "hair after": 1.7, "held hair": 2.1 };

/** Whether a part is shown: hair in one of its two states or in both, everything else always. */
export function isShown(part: string, shown: Shown): boolean {
  if (part.endsWith(" now")) return shown !== "after";
  if (part.endsWith(" after")) return shown !== "now";
  return true;
}

/** How much nearer than it is a strand of a lock is taken to be at most, where it is drawn over or under others, m. */
const LIFTED = 0.014;
/** How far each strand of a mesh is lifted, 0 to 1, for each of its corners: a strand's triangles go on from each other's corners. */
export function liftsOf(corners: ArrayLike<number>, count: number): Float32Array {
  const lifts = new Float32Array(count);
  let strand = 0;
  for (let at = 0, last = -1; at < corners.length; at += 3) {
    const three = [corners[at]!, corners[at + 1]!, corners[at + 2]!] as const;
    if (last >= 0 && Math.min(...three) > last) strand++;
    last = Math.max(...three);
    // Neighbours are far apart in number; the golden section leaves them far apart in height.
    for (const corner of three) lifts[corner] = (strand * 0.618_033_988_75) % 1;
  }
  return lifts;
}
/** Strands that cut through each other would show in turns, in as many bits as there are cuts: each lies over or under its neighbours
 * as a whole. */
function liftStrands(material: Material) {
  material.onBeforeCompile = (shader) => {
    shader.vertexShader = `attribute float lift;\n${shader.vertexShader}`.replace(
      "#include <project_vertex>",
      `#include <project_vertex>
      vec4 lifted = projectionMatrix * (mvPosition + vec4(0.0, 0.0, lift * ${LIFTED}, 0.0));
      gl_Position.z = lifted.z / lifted.w * gl_Position.w;`,
    );
  };
}

/** How long a turn to another side takes, ms. */
const TURN_MS = 450;

/** While the head turns, a frame may take so long, ms; after one that took longer fewer locks are drawn, but so many at least. */
const FRAME_MS = 40;
const FEWER = 0.6;
const LEAST_SHARE = 0.2;
/** How long it must have stood still before all of them are drawn again, ms. */
const STILL_MS = 160;

/** Dots across the picture of a pin. */
const PIN_DOTS = 64;

/** A pin with its number, as a picture. */
function pinPicture(number: string, chosen: boolean, colourOf: (property: string) => string): HTMLCanvasElement {
  const canvas = document.createElement("canvas");
  canvas.width = canvas.height = PIN_DOTS;
  const page = canvas.getContext("2d");
  if (!page) return canvas;
  const middle = PIN_DOTS / 2;
  page.beginPath();
  page.arc(middle, middle, middle - 5, 0, 2 * Math.PI);
  page.fillStyle = colourOf("--warn");
  page.fill();
  page.lineWidth = chosen ? 7 : 4;
  page.strokeStyle = colourOf(chosen ? "--ink" : "--sheet");
  page.stroke();
  page.fillStyle = colourOf("--sheet");
  page.font = "600 34px sans-serif";
  page.textAlign = "center";
  page.textBaseline = "middle";
  page.fillText(number, middle, middle + 2);
  return canvas;
}

export class Space {
  private readonly renderer: WebGLRenderer;
  private readonly scene = new Scene();
  private readonly camera = new PerspectiveCamera(24, 1, 0.05, 20);
  private readonly orbit: OrbitControls;
  private readonly parts = new Group();
  private readonly pins = new Group();
  private readonly light = new DirectionalLight(0xffffff, 1.7);
  private readonly materials = new Map<string, Material>();
  private hairTone = "#7a5238";
  private waiting = 0;
  private turning = 0;
  private shown: Shown = "after";
  /** Where the hair goes over from now to after, while both are shown: a share of what is seen, from the left. */
  private share = 0.5;
  private half = 0.2;
  private readonly edge = { now: new Plane(), after: new Plane() };
  private middle = new Vector3(0, -0.03, 0);
  private far = 1.4;
  /** How long the last frame took to draw, ms. */
  frameMs = 0;
  /** Share of the locks that are drawn while the head turns, as fast as this machine is, and the wait until it stands still. */
  private turningShare = 1;
  private still: ReturnType<typeof setTimeout> | undefined;

  /** Throws where the browser can't draw in space. */
  constructor(
    private readonly canvas: HTMLCanvasElement,
    private readonly colourOf: (property: string) => string,
  ) {
    this.renderer = new WebGLRenderer({ canvas, antialias: true, alpha: true, preserveDrawingBuffer: true });
    this.renderer.localClippingEnabled = true;
    this.scene.add(new AmbientLight(0xffffff, 1.5), this.light, this.parts, this.pins);
    this.orbit = new OrbitControls(this.camera, canvas);
    this.orbit.enablePan = false;
    this.orbit.addEventListener("change", () => this.drawTurned());
    this.orbit.addEventListener("start", () => cancelAnimationFrame(this.turning));
    this.look("left", false);
  }

  /** Puts another scene in place of the last; the eye stays where it is unless `side` says otherwise. */
  async load(glb: ArrayBuffer) {
    const { scene } = await new GLTFLoader().parseAsync(glb, "");
    this.clear();
    const parts: Object3D[] = [];
    scene.traverse((part) => {
      if (part instanceof Mesh || part instanceof Line || part instanceof LineSegments) parts.push(part);
    });
    for (const part of parts) this.paint(part as Mesh | LineSegments);
    this.parts.add(scene);
    const hair = parts.filter((part) => part.userData.part !== "body");
    const box = new Box3();
    for (const part of hair) box.expandByObject(part);
    // The shoulders give the head its size, however short the hair.
    box.expandByPoint(new Vector3(0, -0.2, 0));
    this.frame(box);
    // As it is wished by now: reading the scene took a while.
    this.show(this.shown);
  }

  /** Gives hair the client's own tone. */
  tint(tone: string) {
    this.hairTone = tone;
    for (const [name, light] of Object.entries(HAIR))
      (this.materials.get(name) as MeshLambertMaterial | undefined)?.color.set(tone).multiplyScalar(light);
    this.drawSoon();
  }

  /** Pins with numbers where something is found, mm; they are always seen. */
  pin(pins: readonly { number: number; at: readonly number[]; chosen: boolean }[]) {
    for (const old of this.pins.children as Sprite[]) {
      old.material.map?.dispose();
      old.material.dispose();
    }
    this.pins.clear();
    for (const { number, at, chosen } of pins) {
      const map = new CanvasTexture(pinPicture(String(number), chosen, this.colourOf));
      const sprite = new Sprite(new SpriteMaterial({ map, depthTest: false, sizeAttenuation: false }));
      sprite.position.set(...(at.map((mm) => mm / 1000) as [number, number, number]));
      sprite.scale.setScalar(chosen ? 0.032 : 0.026);
      sprite.renderOrder = 10;
      this.pins.add(sprite);
    }
    this.drawSoon();
  }

  show(shown: Shown) {
    this.shown = shown;
    this.pins.visible = shown !== "now";
    for (const state of ["now", "after"] as const) {
      const material = this.materials.get(`hair ${state}`);
      if (material) material.clippingPlanes = shown === "both" ? [this.edge[state]] : null;
    }
    this.parts.traverse((part) => {
      const name = part.userData.part as string | undefined;
      if (name) part.visible = isShown(name, shown);
    });
    this.drawSoon();
  }

  /** How far across the picture the hair as it is goes over into the hair after the cut. */
  wipe(share: number) {
    this.share = share;
    this.drawSoon();
  }

  /** Goes round to a side, smoothly unless that isn't wanted. */
  look(side: Side, smoothly: boolean) {
    cancelAnimationFrame(this.turning);
    this.orbit.target.copy(this.middle);
    const from = new Spherical().setFromVector3(this.camera.position.clone().sub(this.middle));
    const to = new Spherical().setFromVector3(new Vector3(...EYES[side]));
    // The shorter way round.
    const round = ((((to.theta - from.theta) % (2 * Math.PI)) + 3 * Math.PI) % (2 * Math.PI)) - Math.PI;
    const start = performance.now();
    const step = () => {
      const share = smoothly ? Math.min(1, (performance.now() - start) / TURN_MS) : 1;
      const eased = share * share * (3 - 2 * share);
      const at = new Spherical(this.far, from.phi + eased * (to.phi - from.phi), from.theta + eased * round);
      this.camera.position.copy(this.middle).add(new Vector3().setFromSpherical(at));
      this.orbit.update();
      this.drawSoon();
      if (share < 1) this.turning = requestAnimationFrame(step);
    };
    step();
  }

  /** Turns by degrees about the head and over it. */
  turn(round: number, over: number) {
    const off = this.camera.position.clone().sub(this.orbit.target);
    const distance = off.length();
    const azimuth = Math.atan2(off.x, off.z) + (round * Math.PI) / 180;
    const height = Math.min(1.5, Math.max(-1.2, Math.asin(off.y / distance) + (over * Math.PI) / 180));
    const flat = Math.cos(height);
    off.set(Math.sin(azimuth) * flat, Math.sin(height), Math.cos(azimuth) * flat).multiplyScalar(distance);
    this.camera.position.copy(this.orbit.target).add(off);
    this.orbit.update();
    this.drawSoon();
  }

  resize(width: number, height: number, ratio: number) {
    this.renderer.setPixelRatio(Math.min(2, ratio));
    this.renderer.setSize(width, height, false);
    this.camera.aspect = width / Math.max(1, height);
    this.camera.updateProjectionMatrix();
    this.drawSoon();
  }

  dispose() {
    cancelAnimationFrame(this.waiting);
    cancelAnimationFrame(this.turning);
    clearTimeout(this.still);
    this.orbit.dispose();
    this.pin([]);
    this.clear();
    for (const material of this.materials.values()) material.dispose();
    this.renderer.dispose();
  }

  private frame(box: Box3) {
    const size = box.getSize(new Vector3());
    const round = Math.max(size.x, size.y, size.z, 0.25);
    const far = (0.62 * round) / Math.tan((this.camera.fov * Math.PI) / 360);
    const was = this.camera.position.clone().sub(this.orbit.target).normalize();
    this.middle = box.getCenter(new Vector3());
    this.far = far;
    this.half = 0.5 * Math.max(size.x, size.z);
    this.orbit.target.copy(this.middle);
    this.camera.position.copy(this.middle).addScaledVector(was, far);
    this.orbit.update();
  }

  private paint(part: Mesh | LineSegments) {
    // The loader puts mesh and node into one object, named by the node.
    const name = (part.name || part.parent?.name || "").replaceAll("_", " ");
    part.userData.part = name;
    for (const material of [part.material].flat()) material.dispose();
    part.material = this.material(name, part instanceof Mesh);
    const { index, attributes } = part.geometry;
    if (index && name.startsWith("hair "))
      part.geometry.setAttribute("lift", new BufferAttribute(liftsOf(index.array, attributes.position?.count ?? 0), 1));
  }

  /** One material a part for good: a new one each time would be compiled each time. */
  private material(name: string, surface: boolean): Material {
    const kept = this.materials.get(name);
    if (kept) return kept;
    const light = HAIR[name];
    // Of hair each strand has its own shade, and is seen from both sides.
    const hair = light !== undefined && name !== "scalp";
    const color = new Color(light ? this.hairTone : this.colourOf(COLOURS[name] ?? "--line-strong"));
    color.multiplyScalar(light ?? 1);
    const faint = name === "held before";
    const made = surface
      ? new MeshLambertMaterial({ color, vertexColors: hair, side: hair ? DoubleSide : FrontSide })
      : new LineBasicMaterial({ color, transparent: faint, opacity: faint ? 0.55 : 1 });
    if (name.startsWith("hair ")) liftStrands(made);
    this.materials.set(name, made);
    return made;
  }

  /** The edge between now and after stands upright across the picture, from wherever it is seen. */
  private putEdge() {
    const right = new Vector3().setFromMatrixColumn(this.camera.matrixWorld, 0);
    const at = this.middle.clone().addScaledVector(right, (2 * this.share - 1) * this.half);
    this.edge.after.setFromNormalAndCoplanarPoint(right, at);
    this.edge.now.copy(this.edge.after).negate();
  }

  private clear() {
    this.parts.traverse((part) => {
      if (part instanceof Mesh || part instanceof Line) part.geometry.dispose();
    });
    this.parts.clear();
  }

  /** Draws from where the eye is now: with fewer locks where the machine is slow, and with all of them once it stands still. */
  private drawTurned() {
    clearTimeout(this.still);
    this.still = setTimeout(() => {
      this.still = undefined;
      this.drawSoon();
    }, STILL_MS);
    this.drawSoon();
  }

  /** Learns from when the frame after this one begins how many locks this machine can turn. */
  private paceOf(start: number) {
    requestAnimationFrame(() => {
      if (performance.now() - start > FRAME_MS) this.turningShare = Math.max(LEAST_SHARE, FEWER * this.turningShare);
    });
  }

  private drawLocks(share: number) {
    this.parts.traverse((part) => {
      const { geometry } = part as Mesh;
      if (!String(part.userData.part).startsWith("hair ") || !geometry.index) return;
      geometry.setDrawRange(0, 3 * Math.round((share * geometry.index.count) / 3));
    });
  }

  /** Draws at the next frame, once however often it is asked for. */
  private drawSoon() {
    if (this.waiting) return;
    this.waiting = requestAnimationFrame(() => {
      this.waiting = 0;
      const start = performance.now();
      const turns = this.still !== undefined;
      this.drawLocks(turns ? this.turningShare : 1);
      // The light comes from over the shoulder of whoever looks.
      this.light.position.copy(this.camera.position).add(new Vector3(0.3, 0.6, 0));
      this.putEdge();
      this.renderer.render(this.scene, this.camera);
      if (turns) this.paceOf(start);
      this.frameMs = performance.now() - start;
      this.canvas.dataset.frameMs = this.frameMs.toFixed(1);
    });
  }
}
