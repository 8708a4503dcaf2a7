import { useState } from 'react';
import type { Lch } from '../../core/colour/space';
import { hexFrom, lchOf, readHex } from '../../core/colour/space';
import type { Bench } from '../document/bench';

/** Any colour: recent ones, by its six digits, by eye with sliders for lightness, colourfulness and hue, or off the sheet. */

const SLIDERS: { key: keyof Lch; name: string; max: number; step: number }[] = [
  { key: 'l', name: 'lightness', max: 1, step: 0.005 },
  { key: 'c', name: 'saturation', max: 0.32, step: 0.002 },
  { key: 'h', name: 'hue', max: 360, step: 1 },
];

/** What a slider leads to, from end to end. */
function track(lch: Lch, key: keyof Lch, max: number): string {
  const stops = Array.from({ length: 13 }, (_, i) => {
    const at = { ...lch, [key]: (max * i) / 12 };
    // A hue can only be seen in a colour.
    return hexFrom(key === 'h' ? { ...at, c: Math.max(0.1, lch.c), l: Math.max(0.45, Math.min(0.8, lch.l)) } : at);
  });
  return `linear-gradient(to right, ${stops.join(', ')})`;
}

type Props = {
  bench: Bench | null;
  label: string;
  value: string;
  onChange: (hex: string) => void;
  onClose: () => void;
};

export default function ColourPanel({ bench, label, value, onChange, onClose }: Props) {
  // Sliders keep what was set even where no screen can show it: hue does not jump when a colour turns grey.
  const [lch, setLch] = useState<Lch>(() => lchOf(value));
  const [typed, setTyped] = useState<string | null>(null);
  const [wrong, setWrong] = useState(false);
  const shown = hexFrom(lch) === value ? lch : lchOf(value);
  const take = () => {
    if (typed === null) return;
    const hex = readHex(typed);
    setWrong(hex === null);
    if (hex === null) return;
    setTyped(null);
    setLch(lchOf(hex));
    onChange(hex);
  };
  return (
    <div className="colour-panel">
      <div className="colour-top">
        <span className="colour-now" style={{ background: value }} />
        <label>
          <span className="sr">{label}: colour as six digits</span>
          <input
            value={typed ?? value}
            spellCheck={false}
            aria-invalid={wrong}
            onFocus={(event) => event.currentTarget.select()}
            onChange={(event) => (setTyped(event.target.value), setWrong(false))}
            onBlur={take}
            onKeyDown={(event) => event.key === 'Enter' && take()}
          />
        </label>
        {bench && (
          <button
            type="button"
            className="chip"
            onClick={() => {
              onClose();
              bench.put({ tool: { kind: 'sampler', taken: onChange } });
              bench.say(
                'Press anywhere on the sheet to take the colour that is there. Escape calls it off.',
                ({ tool }) => tool?.kind !== 'sampler',
              );
            }}
          >
            pick from sheet
          </button>
        )}
      </div>
      {wrong && (
        <p role="alert" className="colour-wrong">
          This is no colour. Type # and six digits from 0 to f, such as #2f4d26.
        </p>
      )}
      {SLIDERS.map(({ key, name, max, step }) => (
        <label key={key} className="colour-slider">
          <span>{name}</span>
          <input
            type="range"
            min={0}
            max={max}
            step={step}
            value={shown[key]}
            style={{ background: track(shown, key, max) }}
            onChange={(event) => {
              const next = { ...shown, [key]: Number(event.target.value) };
              setLch(next);
              onChange(hexFrom(next));
            }}
          />
        </label>
      ))}
      {bench && bench.recent.length > 0 && (
        <div className="swatches-all" role="group" aria-label="Recent colours">
          <span className="quiet">recent</span>
          {bench.recent.map((hex) => (
            <button
              key={hex}
              type="button"
              className="swatch"
              aria-label={`recent ${hex}`}
              title={hex}
              style={{ background: hex }}
              onClick={() => (setLch(lchOf(hex)), onChange(hex))}
            />
          ))}
        </div>
      )}
    </div>
  );
}
