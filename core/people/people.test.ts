import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { figureOf } from './figure';
import { EXPRESSIONS, HAIRS } from './skull';
import { POSE_NAMES } from './poses';
import type { Recipe } from './recipe';
import { COLOURED, JOINTS, LOWERS, movedPose, OVERS, personId, recipeOf, SLEEVES } from './recipe';
import { AGES, bodyOf, BUILDS, jointsOf, VIEWS } from './skeleton';
import type { Vec } from './space';

const hex = fc.integer({ min: 0, max: 0xffffff }).map((n) => `#${n.toString(16).padStart(6, '0')}`);
const recipes: fc.Arbitrary<Recipe> = fc.record({
  age: fc.constantFrom(...AGES),
  build: fc.constantFrom(...BUILDS),
  view: fc.constantFrom(...VIEWS),
  mirrored: fc.boolean(),
  pose: fc.constantFrom(...POSE_NAMES),
  moved: fc.oneof(
    fc.constant(JOINTS.map(() => 0)),
    fc.tuple(...JOINTS.map(() => fc.integer({ min: -60, max: 60 }).map((n) => n * 3))),
  ),
  expression: fc.constantFrom(...EXPRESSIONS),
  hair: fc.constantFrom(...HAIRS),
  scarf: fc.boolean(),
  glasses: fc.boolean(),
  hearingAid: fc.boolean(),
  wheelchair: fc.boolean(),
  sleeves: fc.constantFrom(...SLEEVES),
  lower: fc.constantFrom(...LOWERS),
  over: fc.constantFrom(...OVERS),
  colours: fc
    .tuple(...COLOURED.map(() => hex))
    .map((list) => Object.fromEntries(COLOURED.map((part, i) => [part, list[i]])) as Recipe['colours']),
});

describe('the name of a figure', () => {
  test('says all that it is made from, and is short enough for the name of a picture', () => {
    fc.assert(
      fc.property(recipes, (recipe) => {
        const id = personId(recipe);
        expect(id).toMatch(/^[a-z]+\/[a-z0-9-]{1,80}$/);
        expect(recipeOf(id)).toEqual({ ...recipe, moved: recipe.moved.map((by) => by + 0) });
        expect(personId(recipeOf(id)!)).toBe(id);
      }),
    );
  });
  test.each([
    'person/',
    'person/2abc',
    'person/1' + 'z'.repeat(60),
    'flat/fox',
    'person/1a-' + 'z'.repeat(40),
    'person/1A',
  ])('%s says nothing', (id) => expect(recipeOf(id)).toBeNull());
  test('whatever else is written so is read or refused, never half', () => {
    fc.assert(
      fc.property(fc.bigInt({ min: 0n, max: 36n ** 46n }), (code) => {
        const read = recipeOf(`person/1${code.toString(36)}`);
        if (read) expect(figureOf(read).paths.length).toBeGreaterThan(20);
      }),
    );
  });
});

const apart = (a: Vec, b: Vec) => Math.hypot(...a.map((v, i) => v - b[i]));

describe('a skeleton', () => {
  test('keeps the length of its limbs however its joints are moved, and stands on the ground', () => {
    fc.assert(
      fc.property(recipes, ({ age, build, view, pose, moved }) => {
        const body = bodyOf(age, build);
        const { arms, legs } = jointsOf(body, movedPose(pose, moved), view);
        for (const { shoulder, elbow, wrist } of Object.values(arms)) {
          expect(apart(shoulder, elbow)).toBeCloseTo(body.upperArm, 6);
          expect(apart(elbow, wrist)).toBeCloseTo(body.foreArm, 6);
        }
        for (const { hip, knee, ankle, toe } of Object.values(legs)) {
          expect(apart(hip, knee)).toBeCloseTo(body.thigh, 6);
          expect(apart(knee, ankle)).toBeCloseTo(body.shin, 6);
          expect(toe[1]).toBeLessThanOrEqual(0);
        }
      }),
    );
  });
  test('has joints that stay within their limits', () => {
    fc.assert(
      fc.property(recipes, fc.constantFrom(-1e6, 1e6), ({ pose }, by) => {
        const moved = movedPose(
          pose,
          JOINTS.map(() => by),
        ) as unknown as Record<string, number | Record<string, number>>;
        for (const [[key, part], least, most] of JOINTS) {
          const angle = part === undefined ? moved[key] : (moved[key] as Record<string, number>)[part];
          expect(angle).toBe(by < 0 ? least : most);
        }
      }),
    );
  });
});

test('a figure fills its box: nothing of it is a wild number', () => {
  fc.assert(
    fc.property(recipes, (recipe) => {
      const { width, height, paths, tall } = figureOf(recipe);
      expect(Math.max(width, height)).toBeLessThan(tall * 2.2);
      for (const { d } of paths)
        for (const [number] of d.matchAll(/-?[\d.]+/g)) expect(Math.abs(Number(number))).toBeLessThan(tall * 3);
      expect(paths.map(({ d }) => d).join('')).not.toMatch(/NaN|Infinity|e/);
    }),
    { numRuns: 200 },
  );
});
