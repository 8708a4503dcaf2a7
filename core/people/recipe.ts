import { EXPRESSIONS, HAIRS } from './skull';
import type { Expression, Hair } from './skull';
import type { PoseName } from './poses';
import { POSE_NAMES, POSES } from './poses';
import type { Age, Build, Pose, View } from './skeleton';
import { AGES, BUILDS, VIEWS } from './skeleton';

/**
 * What a figure is made from, and its name as a picture: the whole recipe is written into the name, so a figure is drawn wherever
 * its name is known, and kept nowhere.
 */

export const SLEEVES = ['none', 'short', 'long'] as const;
export const LOWERS = ['trousers', 'shorts', 'skirt', 'long skirt'] as const;
export const OVERS = ['none', 'belt', 'vest'] as const;
/** In the order in which they are written. */
export const COLOURED = ['skin', 'hair', 'top', 'lower', 'shoes', 'extra'] as const;
export type Coloured = (typeof COLOURED)[number];

/** The joints that can be moved, each with its limits in degrees. */
export const JOINTS: readonly (readonly [path: readonly [keyof Pose, string?], least: number, most: number])[] = [
  [['tip'], 0, 90],
  [['lean'], -20, 60],
  [['bend'], -35, 35],
  [['turn'], -40, 40],
  [['nod'], -30, 40],
  [['tilt'], -30, 30],
  [['look'], -70, 70],
  ...(['left', 'right'] as const).flatMap((side) => [
    [[side, 'raise'], -60, 180] as const,
    [[side, 'out'], -20, 180] as const,
    [[side, 'twist'], -100, 100] as const,
    [[side, 'elbow'], 0, 150] as const,
    [[side, 'wrist'], -70, 70] as const,
  ]),
  ...(['leftLeg', 'rightLeg'] as const).flatMap((side) => [
    [[side, 'raise'], -40, 125] as const,
    [[side, 'out'], -15, 80] as const,
    [[side, 'knee'], 0, 150] as const,
    [[side, 'foot'], -65, 35] as const,
  ]),
];

export type Recipe = {
  age: Age;
  build: Build;
  view: View;
  /** It looks to the left instead of the right. */
  mirrored: boolean;
  pose: PoseName;
  /** Degrees by which joints were moved from the pose, in the order of JOINTS. */
  moved: readonly number[];
  expression: Expression;
  hair: Hair;
  scarf: boolean;
  glasses: boolean;
  hearingAid: boolean;
  wheelchair: boolean;
  sleeves: (typeof SLEEVES)[number];
  lower: (typeof LOWERS)[number];
  over: (typeof OVERS)[number];
  colours: Record<Coloured, string>;
};

export const UNMOVED: readonly number[] = JOINTS.map(() => 0);

type Angles = Record<string, number | Record<string, number>>;
const angleIn = (pose: Angles, [key, part]: readonly [string, string?]): number =>
  part === undefined ? (pose[key] as number) : (pose[key] as Record<string, number>)[part];

/** The pose with its joints moved, each within its limits. */
export function movedPose(name: PoseName, moved: readonly number[]): Pose {
  const pose = structuredClone(POSES[name].pose) as unknown as Angles;
  JOINTS.forEach(([path, least, most], i) => {
    const angle = Math.max(least, Math.min(most, angleIn(pose, path) + (moved[i] ?? 0)));
    const [key, part] = path;
    if (part === undefined) pose[key] = angle;
    else (pose[key] as Record<string, number>)[part] = angle;
  });
  return pose as unknown as Pose;
}

/** Joints are moved by steps of so many degrees, up to 180 either way. */
const STEP = 3;
const STEPS = 121;
const VERSION = 1;

type Field = { size: number; read: (recipe: Recipe) => number; write: (recipe: Recipe, value: number) => void };
function chosen<K extends keyof Recipe>(key: K, list: readonly Recipe[K][]): Field {
  return {
    size: list.length,
    read: (recipe) => list.indexOf(recipe[key]),
    write: (recipe, value) => (recipe[key] = list[value]),
  };
}
const NO_YES = [false, true];
/** Room for as many again is left in each list: what is added to one later goes behind what there is. */
const roomy = (field: Field, size: number): Field => ({ ...field, size });

const FIELDS: readonly Field[] = [
  roomy(chosen('age', AGES), 8),
  roomy(chosen('build', BUILDS), 8),
  roomy(chosen('view', VIEWS), 4),
  chosen('mirrored', NO_YES),
  roomy(chosen('pose', POSE_NAMES), 64),
  roomy(chosen('expression', EXPRESSIONS), 32),
  roomy(chosen('hair', HAIRS), 64),
  chosen('scarf', NO_YES),
  chosen('glasses', NO_YES),
  chosen('hearingAid', NO_YES),
  chosen('wheelchair', NO_YES),
  roomy(chosen('sleeves', SLEEVES), 4),
  roomy(chosen('lower', LOWERS), 16),
  roomy(chosen('over', OVERS), 16),
  ...COLOURED.map((part): Field => ({
    size: 0x1000000,
    read: ({ colours }) => parseInt(colours[part].slice(1), 16),
    write: ({ colours }, value) => (colours[part] = `#${value.toString(16).padStart(6, '0')}`),
  })),
];

/** Written last, and left out where all are as in the pose. */
const MOVES: readonly Field[] = JOINTS.map((_, i) => ({
  size: STEPS,
  read: ({ moved }) => Math.max(0, Math.min(STEPS - 1, Math.round((moved[i] ?? 0) / STEP) + (STEPS - 1) / 2)),
  write: (recipe, value) => ((recipe.moved as number[])[i] = (value - (STEPS - 1) / 2) * STEP),
}));

const written = (recipe: Recipe, fields: readonly Field[]): bigint =>
  fields.reduceRight((sum, { size, read }) => sum * BigInt(size) + BigInt(read(recipe)), 0n);

/** @returns whether all of it could be read */
function readInto(recipe: Recipe, fields: readonly Field[], code: bigint): boolean {
  let left = code;
  for (const { size, write } of fields) {
    write(recipe, Number(left % BigInt(size)));
    left /= BigInt(size);
  }
  return left === 0n;
}

const fromLetters = (text: string): bigint =>
  [...text].reduce((sum, letter) => sum * 36n + BigInt(parseInt(letter, 36)), 0n);

export const isPerson = (id: string): boolean => id.startsWith('person/');

/** The name of a figure as a picture. */
export function personId(recipe: Recipe): string {
  const look = written(recipe, FIELDS).toString(36);
  const still = recipe.moved.every((by) => Math.round(by / STEP) === 0);
  return `person/${VERSION}${look}${still ? '' : `-${written(recipe, MOVES).toString(36)}`}`;
}

/** What a figure of that name is made from; null where the name says nothing. */
export function recipeOf(id: string): Recipe | null {
  const read = /^person\/1([0-9a-z]{1,60})(?:-([0-9a-z]{1,40}))?$/.exec(id);
  if (!read) return null;
  const recipe = { colours: {}, moved: [...UNMOVED] } as unknown as Recipe;
  const [, look, moves] = read;
  if (!readInto(recipe, FIELDS, fromLetters(look))) return null;
  if (moves !== undefined && !readInto(recipe, MOVES, fromLetters(moves))) return null;
  // Out of a list of a later version.
  return Object.values<unknown>(recipe).includes(undefined) ? null : recipe;
}
