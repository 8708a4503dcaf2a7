import { beforeAll, describe, expect, test } from 'vitest';
import { allFaces } from '../../tests/support/fonts';
import { page, sheet, text } from '../schema/defaults';
import { undrawnOn } from '../proof/undrawn';
import type { TextRole } from '../schema/sheet';
import { FACES, STAND_INS, standInsFor } from './catalogue';
import type { Faces } from './faces';
import { layOut } from './fit';
import { undrawn } from './stand-in';
import { needsOf } from '../sheet/needs';

let faces: Faces;
beforeAll(async () => {
  faces = await allFaces();
});
const plain = { font: 'andika', bold: false, italic: false };
const filesOf = (words: string, font: string, bold = false) => {
  const [role] = Object.values(sheet({ title: 's', pages: [page({ id: 'p' })] }).roles) as [TextRole];
  const body = [{ format: {}, runs: [{ text: words, style: { font, bold } }] }];
  const box = { width: 9000, height: 100, padding: 0, vertical: 'top' as const, fit: 'keep' as const };
  return layOut(body, role, box, faces).lines.flatMap(({ pieces }) =>
    pieces.map(({ text: said, file }) => `${said.trim()} ${file}`),
  );
};

describe('what a face lacks', () => {
  test.each([
    ['Greek', 'Η άπειρος θάλασσα: πr², 5 μm, 3 Ω, Δt, λ ≈ 500 nm, Σαπφώ Ἀθῆναι'],
    ['Cyrillic', 'Їжак і цапля: Ґрунт, Љубљана, ёлка, Җ'],
    ['Latin, all of it', 'Nguyễn Thị Ánh · Łódź · Ħal · ŋ ɣ ə · ẞ · ﬁ · g̃ · Ọ̀ṣun · ʃiːp'],
    ['mathematics', '∫ f(x) dx ≤ ∑ √2 · ∂ ∇ ∈ ℝ ∀ ∃ ⊂ ∪ ± × ÷ ≠ ∞ ∝ ∠ ⊥ ℏ ℃ ⟨ψ⟩ 𝑥 ⇌ ⟶'],
  ])('of %s is drawn by another, in every face', (_, words) => {
    for (const { id } of FACES)
      for (const bold of [false, true])
        expect(`${id}: ${undrawn(words, { ...plain, font: id, bold }, faces)}`).toBe(`${id}: `);
  });
  test('is drawn in the weight of the words, and a word in one face', () => {
    expect(filesOf('Σ', 'anton')).toEqual(['Σ NotoSansGreek_400Regular.ttf']);
    expect(filesOf('Σ', 'lexend', true)).toEqual(['Σ NotoSansGreek_700Bold.ttf']);
    for (const { id } of FACES) {
      const one = filesOf('Łódźƙə', id);
      expect(`${id}: ${one.length}`).toBe(`${id}: 1`);
    }
  });
  test('and nobody has stands as a box, and is a finding with its thing', () => {
    const words = 'שלום 你好 नमस्ते';
    expect(undrawn(words, plain, faces).join('')).toMatch(/ש.*你/);
    const [role] = Object.values(sheet({ title: 's', pages: [page({ id: 'p' })] }).roles) as [TextRole];
    const box = { width: 9000, height: 100, padding: 0, vertical: 'top' as const, fit: 'keep' as const };
    const set = layOut([{ format: {}, runs: [{ text: '你a', style: { font: 'lexend' } }] }], role, box, faces);
    const [drawn] = set.lines[0].pieces;
    expect(faces.outline(drawn.file, drawn.glyphs[0].id, 12)).not.toBe('');
    expect(drawn.glyphs[0].advance).toBeGreaterThan(4);
    const made = sheet({
      title: 's',
      pages: [
        page({
          id: 'p',
          items: [
            text({ id: 'a', body: [{ format: {}, runs: [{ text: 'plain', style: {} }] }] }),
            text({ id: 'b', body: [{ format: {}, runs: [{ text: words, style: {} }] }] }),
          ],
        }),
      ],
    });
    const found = undrawnOn(made, made.pages[0], { faces, pictures: () => undefined });
    expect(found.map(({ item }) => item)).toEqual(['b']);
    expect(found[0].signs).toContain('你');
  });
  test('is fetched only where it may be needed', () => {
    const needs = (words: string) =>
      needsOf(
        sheet({
          title: 's',
          pages: [
            page({ id: 'p', items: [text({ id: 'a', body: [{ format: {}, runs: [{ text: words, style: {} }] }] })] }),
          ],
        }),
      ).fonts.filter((file) => STAND_INS.slice(1).some(({ regular, bold }) => file === regular || file === bold));
    expect(needs('The heron, Éva and the 2 × 3 m pond')).toEqual([]);
    expect(needs('5 μm')).toEqual(['NotoSansGreek_400Regular.ttf']);
    expect(needs('ёлка')).toEqual(['NotoSansCyrillic_400Regular.ttf']);
    expect(standInsFor('∫', false)).toEqual(['Andika_400Regular.ttf', 'NotoSansMath_400Regular.ttf']);
  });
});
