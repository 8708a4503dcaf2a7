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
