import { useState } from 'react';
import { colourName } from '../../core/colour/name';
import { luminanceOf } from '../../core/colour/space';
import { ownColours } from '../../core/palettes/picture-colours';
import type { DrawnPicture } from '../../core/pictures/picture';
import type { PictureItem } from '../../core/schema/sheet';
import { DRAWN } from '../../core/schema/defaults';
import { shared } from '../../core/text/common';
import { foundOnce } from '../../core/values/remembered';
import { Swatch } from '../colour/swatch';
import { Swatches } from '../colour/swatches';
import { colourFromPalette, ownColoursAgain, setPictureColour, setTone } from '../commands/picture-commands';
import type { Editor } from '../document/editor';
import { pictureNow } from '../drawing/resources';
import { PercentField } from '../fields/number-field';
import { Toggle } from '../fields/toggle';
import { Chip, Chips } from '../parts/action';
import { Pair, Row } from '../parts/row';

/** The colours of pictures: brighter, tinted, in two colours, and each colour of a drawing for itself. */

type Props = { editor: Editor; items: readonly PictureItem[]; palette: readonly string[] };

/** So many of a drawing's colours are offered one by one, those that most is seen of. */
const MOST = 12;
const coloursOf = foundOnce((picture: DrawnPicture) => [...ownColours(picture).keys()].slice(0, MOST));
const HALF = 0.5;

/** The darkest and the lightest of a palette. */
function endsOf(palette: readonly string[]): { dark: string; light: string } {
  const sorted = [DRAWN.ink, ...palette, DRAWN.paper].toSorted((a, b) => luminanceOf(a) - luminanceOf(b));
  return { dark: sorted[0], light: sorted.at(-1)! };
}

export function PictureColours({ editor, items, palette }: Props) {
  const tones = items.map(({ tone }) => tone);
  const drawn = items.flatMap(({ picture }) => pictureNow(picture) ?? []).filter(({ raster }) => !raster);
  const colours = [...new Set(drawn.flatMap(coloursOf))].slice(0, MOST);
  const changed = items.some(({ tone, colours: given }) => tone !== null || Object.keys(given).length > 0);
  const two = shared(tones.map((tone) => tone?.twoColours ?? null));
  const tint = shared(tones.map((tone) => tone?.tint ?? null));
  const change = (name: string, key: 'brightness' | 'contrast') => (
    <PercentField
      label={name}
      share={shared(tones.map((tone) => tone?.[key] ?? 0)) ?? null}
      least={-1}
      most={1}
      onChange={(value) => setTone(editor, name, () => ({ [key]: value }))}
    />
  );
  return (
    <>
      {colours.length > 0 && <OwnColours {...{ editor, items, palette, colours }} />}
      <Pair>
        {change('brightness', 'brightness')}
        {change('contrast', 'contrast')}
      </Pair>
      <Swatches
        label="tint"
        value={tint === undefined ? undefined : (tint?.colour ?? null)}
        palette={palette}
        none="No tint"
        onChange={(colour) =>
          setTone(editor, 'Tint', (now) => ({
            tint: colour === null ? null : { colour, share: now.tint?.share ?? HALF },
          }))
        }
      />
      {tint && (
        <Row label="">
          <PercentField
            label="strength"
            share={tint.share}
            onChange={(share) => setTone(editor, 'Tint', (now) => ({ tint: now.tint && { ...now.tint, share } }))}
          />
        </Row>
      )}
      <Row label="as print">
        <Toggle
          on={two === undefined ? 'mixed' : two !== null}
          label="In two colours only, from a dark one to a light one"
          onClick={() => setTone(editor, 'Two colours', () => ({ twoColours: two ? null : endsOf(palette) }))}
        >
          two colours
        </Toggle>
      </Row>
      {two &&
        (['dark', 'light'] as const).map((end) => (
          <Swatches
            key={end}
            label={end}
            value={two[end]}
            palette={palette}
            onChange={(hex) =>
              hex &&
              setTone(editor, 'Two colours', (now) => ({
                twoColours: now.twoColours && { ...now.twoColours, [end]: hex },
              }))
            }
          />
        ))}
      <Chips>
        {drawn.length > 0 && <Chip onClick={() => colourFromPalette(editor)}>in the palette’s colours</Chip>}
        {changed && (
          <Chip tone="apricot" onClick={() => ownColoursAgain(editor)}>
            its own colours again
          </Chip>
        )}
      </Chips>
    </>
  );
}

/** Each colour of a drawing: pressed, it is given another. */
function OwnColours({ editor, items, palette, colours }: Props & { colours: readonly string[] }) {
  const [wanted, setWanted] = useState<string | null>(null);
  const chosen = wanted !== null && colours.includes(wanted) ? wanted : null;
  const shownAs = (own: string) => shared(items.map(({ colours: given }) => given[own] ?? own));
  return (
    <>
      <Row label="drawn in">
        {colours.map((own) => (
          <Swatch
            key={own}
            colour={shownAs(own) ?? own}
            marked={own === chosen}
            aria-pressed={own === chosen}
            aria-label={`Change ${colourName(own)} ${own}`}
            title={`Change ${colourName(own)}`}
            onClick={() => setWanted(own === chosen ? null : own)}
          />
        ))}
      </Row>
      {chosen && (
        <Swatches
          label="becomes"
          value={shownAs(chosen)}
          palette={palette}
          onChange={(hex) => hex && setPictureColour(editor, chosen, hex)}
        />
      )}
    </>
  );
}
