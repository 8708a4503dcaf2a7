import { Swatch } from './swatch';
import styles from './colour-panel.module.css';
import { Chip } from '../parts/action';
import { useState } from 'react';
import type { Lch } from '../../core/colour/space';
import { hexFrom, lchOf, readHex } from '../../core/colour/space';
import type { Editor } from '../document/editor';

/** Any colour: recent ones, six digits, sliders for lightness, saturation and hue, or picked from the sheet. */

const SLIDERS: { key: keyof Lch; name: string; max: number; step: number }[] = [
  { key: 'l', name: 'lightness', max: 1, step: 0.005 },
  { key: 'c', name: 'saturation', max: 0.32, step: 0.002 },
  { key: 'h', name: 'hue', max: 360, step: 1 },
];

/** The colours along a slider. */
function track(lch: Lch, key: keyof Lch, max: number): string {
  const stops = Array.from({ length: 13 }, (_, i) => {
    const at = { ...lch, [key]: (max * i) / 12 };
    // A hue shows only in a colour that is not grey.
    return hexFrom(key === 'h' ? { ...at, c: Math.max(0.1, lch.c), l: Math.max(0.45, Math.min(0.8, lch.l)) } : at);
  });
  return `linear-gradient(to right, ${stops.join(', ')})`;
}

type Props = {
  editor: Editor | null;
  label: string;
  value: string;
  onChange: (hex: string) => void;
  onClose: () => void;
};

export default function ColourPanel({ editor, label, value, onChange, onClose }: Props) {
  // Sliders keep their position even for colours no screen can show: the hue doesn't jump when a colour turns grey.
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
    <div className={styles.panel}>
      <div className={styles.top}>
        <span className={styles.now} style={{ background: value }} />
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
        {editor && (
          <Chip
            onClick={() => {
              onClose();
              editor.put({ tool: { kind: 'sampler', taken: onChange } });
              editor.say(
                'Press anywhere on the sheet to take the colour that is there. Escape calls it off.',
                ({ tool }) => tool?.kind !== 'sampler',
              );
            }}
          >
            pick from sheet
          </Chip>
        )}
      </div>
      {wrong && (
        <p role="alert" className={styles.wrong}>
          This is no colour. Type # and six digits from 0 to f, such as #2f4d26.
        </p>
      )}
      {SLIDERS.map(({ key, name, max, step }) => (
        <label key={key} className={styles.slider}>
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
      {editor && editor.recent.length > 0 && (
        <div className={styles.recent} role="group" aria-label="Recent colours">
          <span className="quiet">Recent</span>
          {editor.recent.map((hex) => (
            <Swatch
              key={hex}
              colour={hex}
              aria-label={`recent ${hex}`}
              title={hex}
              onClick={() => (setLch(lchOf(hex)), onChange(hex))}
            />
          ))}
        </div>
      )}
    </div>
  );
}
