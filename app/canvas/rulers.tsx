import { memo } from 'react';
import type { Page, Sheet } from '../../core/schema/sheet';
import { PER_UNIT } from '../../core/sheet/units';
import type { View } from '../margin/view';
import type { Editor } from '../document/editor';
import { dragGuide } from './guidance';

/** Rulers along the stage, in the page's unit. Guides are dragged out of them. */

/** Pixels. */
const THICK = 18;
const STEPS: Record<Sheet['unit'], number[]> = {
  in: [0.125, 0.25, 0.5, 1, 2, 5, 10],
  mm: [1, 5, 10, 20, 50, 100, 200],
  px: [10, 20, 50, 100, 200, 500, 1000],
};

type Props = { editor: Editor; view: View; page: Page; unit: Sheet['unit'] };

export const Rulers = memo(function Rulers({ editor, view, page, unit }: Props) {
  const per = PER_UNIT[unit] * view.scale;
  const small = STEPS[unit].find((step) => step * per >= 6) ?? 10;
  const large = STEPS[unit].find((step) => step * per >= 42 && step > small) ?? small * 5;
  const ticks = (length: number, origin: number, reach: number) => {
    const out: { at: number; value: number; major: boolean }[] = [];
    for (let value = 0; value * PER_UNIT[unit] <= length + 0.01; value += small) {
      const at = origin + value * per;
      if (at < -50 || at > reach + 50) continue;
      const major = Math.abs(value / large - Math.round(value / large)) < 1e-6;
      out.push({ at, value: Math.round(value * 1000) / 1000, major });
    }
    return out;
  };
  const { stageWidth, stageHeight, left, top, scale } = view;
  return (
    <div className="rulers">
      <svg
        className="ruler across"
        width={stageWidth}
        height={THICK}
        role="img"
        aria-label="Ruler across: pull a guide down from it"
        onPointerDown={(event) => dragGuide(editor, event, 'y', scale, null)}
      >
        <rect className="ruler-page" x={left} width={page.width * scale} height={THICK} />
        {ticks(page.width, left, stageWidth).map(({ at, value, major }) => (
          <g key={value}>
            <path d={`M${at} ${major ? 6 : 12}V${THICK}`} />
            {major && (
              <text x={at + 3} y="11">
                {value}
              </text>
            )}
          </g>
        ))}
      </svg>
      <svg
        className="ruler down"
        width={THICK}
        height={stageHeight}
        role="img"
        aria-label="Ruler down: pull a guide out of it"
        onPointerDown={(event) => dragGuide(editor, event, 'x', scale, null)}
      >
        <rect className="ruler-page" y={top} width={THICK} height={page.height * scale} />
        {ticks(page.height, top, stageHeight).map(({ at, value, major }) => (
          <g key={value}>
            <path d={`M${major ? 6 : 12} ${at}H${THICK}`} />
            {major && (
              <text x={-at - 3} y="11" textAnchor="end" transform="rotate(-90)">
                {value}
              </text>
            )}
          </g>
        ))}
      </svg>
    </div>
  );
});
