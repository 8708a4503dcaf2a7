/** Small drawings for toggles. */

const BARS = { left: [0, 0, 0], centre: [1, 3, 2], right: [2, 6, 4], justify: [0, 0, 0] };
const WIDTHS = { left: [12, 8, 10], centre: [10, 6, 8], right: [10, 6, 8], justify: [12, 12, 12] };

export function AlignDrawing({ align }: { align: 'left' | 'centre' | 'right' | 'justify' }) {
  return (
    <svg width="14" height="12" aria-hidden="true">
      {[1, 5, 9].map((y, i) => (
        <rect key={y} x={1 + BARS[align][i]} y={y} width={WIDTHS[align][i]} height="1.7" rx="0.8" fill="currentColor" />
      ))}
    </svg>
  );
}

export function ListDrawing({ list }: { list: 'bullet' | 'number' | 'letter' }) {
  const mark = { bullet: '•', number: '1', letter: 'a' }[list];
  return (
    <svg width="18" height="12" aria-hidden="true">
      <text x="0" y="9.5" fontSize="10" fontWeight="700" fill="currentColor">
        {mark}
      </text>
      <path d="M8 3.4h9M8 8.4h9" stroke="currentColor" strokeWidth="1.7" strokeLinecap="round" />
    </svg>
  );
}

export function VerticalDrawing({ vertical }: { vertical: 'top' | 'middle' | 'bottom' }) {
  const y = { top: 3.4, middle: 6, bottom: 8.6 }[vertical];
  return (
    <svg width="14" height="12" aria-hidden="true">
      <rect
        x="0.7"
        y="0.7"
        width="12.6"
        height="10.6"
        rx="2"
        fill="none"
        stroke="currentColor"
        strokeWidth="1"
        opacity="0.6"
      />
      <path d={`M3.4 ${y}h7.2`} stroke="currentColor" strokeWidth="2" strokeLinecap="round" />
    </svg>
  );
}

const CURVE_PATHS = {
  straight: 'M2 8h16',
  arch: 'M2 11Q10 1 18 11',
  circle: 'M10 2a5 5 0 1 1-.01 0',
  wave: 'M2 8Q6 2 10 7T18 6',
  slope: 'M2 11L18 3',
};

export function CurveDrawing({ curve }: { curve: keyof typeof CURVE_PATHS }) {
  return (
    <svg width="20" height="13" aria-hidden="true">
      <path d={CURVE_PATHS[curve]} fill="none" stroke="currentColor" strokeWidth="1.9" strokeLinecap="round" />
    </svg>
  );
}

type EdgeName = 'left' | 'centre' | 'right' | 'top' | 'middle' | 'bottom';

/** Two bars at a line, vertical or horizontal. */
export function EdgeDrawing({ edge }: { edge: EdgeName }) {
  const across = edge === 'left' || edge === 'centre' || edge === 'right';
  const at = edge === 'left' || edge === 'top' ? 1.5 : edge === 'right' || edge === 'bottom' ? 14.5 : 8;
  const bar = (length: number) => (at < 4 ? at + 1.5 : at > 12 ? at - 1.5 - length : at - length / 2);
  return (
    <svg width="16" height="16" aria-hidden="true">
      <g transform={across ? undefined : 'matrix(0 1 1 0 0 0)'}>
        <path d={`M${at} 1v14`} stroke="currentColor" strokeWidth="1.3" />
        <rect x={bar(10)} y="3" width="10" height="3.6" rx="1" fill="currentColor" opacity="0.55" />
        <rect x={bar(6)} y="9.2" width="6" height="3.6" rx="1" fill="currentColor" opacity="0.55" />
      </g>
    </svg>
  );
}

/** Three bars with equal gaps, or with marks at equal distances. */
export function DistributeDrawing({ axis, by }: { axis: 'x' | 'y'; by: 'gap' | 'centre' }) {
  const bars = by === 'gap' ? [1, 6.2, 12.4] : [1, 6, 12];
  const widths = by === 'gap' ? [2.6, 3.6, 2.6] : [3, 4, 3];
  return (
    <svg width="16" height="16" aria-hidden="true">
      <g transform={axis === 'x' ? undefined : 'matrix(0 1 1 0 0 0)'} fill="currentColor">
        {bars.map((x, i) => (
          <rect key={x} x={x} y="3" width={widths[i]} height="10" rx="1" opacity="0.6" />
        ))}
        {by === 'centre' &&
          bars.map((x, i) => <rect key={x} x={x + widths[i] / 2 - 0.5} y="0" width="1" height="16" />)}
        {by === 'gap' && <path d="M3.6 8h2.6M9.8 8h2.6" stroke="currentColor" strokeWidth="1.2" />}
      </g>
    </svg>
  );
}
