import { Bar, BarChart, Cell, LabelList, ResponsiveContainer, XAxis } from 'recharts';

/** How many pieces hold how many look-fors. */
export default function Histogram({ counts }: { counts: { held: number; pieces: number }[] }) {
  return (
    <div
      style={{ height: 128 }}
      role="img"
      aria-label={counts.map(({ held, pieces }) => `${pieces} with ${held}`).join(', ')}
    >
      <ResponsiveContainer width="100%" height="100%">
        <BarChart data={counts} margin={{ top: 18, right: 4, left: 4, bottom: 0 }} barCategoryGap="22%">
          <XAxis
            dataKey="held"
            tickLine={false}
            axisLine={{ stroke: 'var(--line-strong)' }}
            tick={{ fill: 'var(--soft)', fontSize: 12 }}
            height={20}
          />
          <Bar dataKey="pieces" radius={[4, 4, 0, 0]} isAnimationActive={false}>
            {counts.map(({ held }) => (
              <Cell key={held} fill="var(--fern)" />
            ))}
            <LabelList
              dataKey="pieces"
              position="top"
              fontSize={12}
              fill="var(--ink)"
              formatter={(value: unknown) => (value ? String(value) : '')}
            />
          </Bar>
        </BarChart>
      </ResponsiveContainer>
    </div>
  );
}
