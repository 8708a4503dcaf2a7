import { readFileSync } from 'node:fs';
import path from 'node:path';
import { describe, expect, test } from 'vitest';
import { ALL_FILES, FACES, faceById, FALLBACK, fileFor, isFace } from './catalogue';
import { Faces } from './faces';

const bytes = (file: string) => readFileSync(path.resolve('.generated/fonts', file));
const ANDIKA = fileFor('andika', false, false);
const BUNGEE = fileFor('bungee', false, false);

describe('the opened faces', () => {
  test('stand in for one that is not here yet, and say that it was wanted', async () => {
    const faces = await Faces.open();
    faces.add(ANDIKA, bytes(ANDIKA));
    expect(faces.resolve(BUNGEE)).toBe(ANDIKA);
    expect([...faces.missing]).toEqual([BUNGEE]);
    faces.add(BUNGEE, bytes(BUNGEE));
    expect(faces.resolve(BUNGEE)).toBe(BUNGEE);
    expect(faces.missing.size).toBe(0);
  });
  test('need the fallback first', async () => {
    const faces = await Faces.open();
    expect(() => faces.resolve(BUNGEE)).toThrow(/fallback/);
  });
  test('shape letters to glyphs, each with its place in the text', async () => {
    const faces = await Faces.open();
    faces.add(ANDIKA, bytes(ANDIKA));
    const glyphs = faces.shape(ANDIKA, 'crab');
    expect(glyphs.map((glyph) => glyph.cluster)).toEqual([0, 1, 2, 3]);
    expect(glyphs.every((glyph) => glyph.id > 0 && glyph.advance > 0)).toBe(true);
    expect(faces.shape(ANDIKA, 'crab')).toBe(glyphs);
    expect(faces.shape(ANDIKA, '')).toEqual([]);
  });
  test('know which characters they have', async () => {
    const faces = await Faces.open();
    faces.add(ANDIKA, bytes(ANDIKA));
    expect(faces.covers(ANDIKA, 'žluťoučký → •')).toBe(true);
    expect(faces.covers(ANDIKA, '漢')).toBe(false);
  });
  test('give outlines that grow with the size, and nothing for a space', async () => {
    const faces = await Faces.open();
    faces.add(ANDIKA, bytes(ANDIKA));
    const [letter] = faces.shape(ANDIKA, 'o');
    const [space] = faces.shape(ANDIKA, ' ');
    const first = (size: number) => Number(/^m(-?[\d.]+)/.exec(faces.outline(ANDIKA, letter.id, size))![1]);
    expect(first(40) / first(10)).toBeCloseTo(4, 0);
    expect(faces.outline(ANDIKA, letter.id, 10)).toMatch(/z$/);
    expect(faces.outline(ANDIKA, space.id, 10)).toBe('');
  });
  test('tell their measures in their own units', async () => {
    const faces = await Faces.open();
    faces.add(ANDIKA, bytes(ANDIKA));
    const { unitsPerEm, ascent, descent } = faces.metrics(ANDIKA);
    expect(unitsPerEm).toBeGreaterThan(500);
    expect(ascent).toBeGreaterThan(0);
    expect(descent).toBeGreaterThan(0);
  });
});

describe('the catalogue', () => {
  test('has at least eight faces, early readers among them', () => {
    expect(FACES.length).toBeGreaterThanOrEqual(8);
    expect(FACES.filter((face) => face.early).length).toBeGreaterThanOrEqual(4);
    expect(new Set(FACES.map((face) => face.id)).size).toBe(FACES.length);
    expect(new Set(ALL_FILES).size).toBe(ALL_FILES.length);
  });
  test('takes the nearest file where a style is missing', () => {
    expect(fileFor('bungee', true, true)).toBe('Bungee_400Regular.ttf');
    expect(fileFor('lexend', true, true)).toBe('Lexend_700Bold.ttf');
    expect(fileFor('andika', true, true)).toBe('Andika_700Bold_Italic.ttf');
  });
  test('replaces a face that it does not know', () => {
    expect(isFace('nonesuch')).toBe(false);
    expect(faceById('nonesuch')).toBe(FALLBACK);
  });
  test.each(ALL_FILES)('%s is there, and small', (file) => {
    const { length } = bytes(file);
    expect(length).toBeGreaterThan(10_000);
    expect(length).toBeLessThan(640_000);
  });
});
