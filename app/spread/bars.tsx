import { howMany } from '../../core/values/listed';
import { Bar, BarChart, Cell, LabelList, ResponsiveContainer, XAxis } from 'recharts';
import styles from './spread.module.css';

/** How many pieces have how much of something: each bar, and the number below it, leads to them. */

export type Count = { label: string; pieces: number; says: string; chosen: boolean; choose: () => void };

export default function Bars({ counts }: { counts: readonly Count[] }) {
  return (
    <>
      <div className={styles.chart} aria-hidden="true">
        <ResponsiveContainer width="100%" height="100%">
          <BarChart
            data={[...counts]}
            margin={{ top: 18, right: 0, left: 0, bottom: 0 }}
            barCategoryGap="22%"
            // The buttons below say the same, and are what keys reach.
            accessibilityLayer={false}
          >
            <XAxis
              dataKey="label"
              tick={false}
              tickLine={false}
              axisLine={{ stroke: 'var(--line-strong)' }}
              height={1}
            />
            <Bar dataKey="pieces" radius={[4, 4, 0, 0]} isAnimationActive={false}>
              {counts.map(({ label, chosen, choose }) => (
                <Cell key={label} fill={chosen ? 'var(--moss)' : 'var(--fern)'} cursor="pointer" onClick={choose} />
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
      <div className={styles.ticks}>
        {counts.map(({ label, pieces, says, chosen, choose }) => (
          <button
            key={label}
            type="button"
            aria-pressed={chosen}
            aria-label={`${says}: ${howMany(pieces, 'piece')}`}
            onClick={choose}
          >
            {label}
          </button>
        ))}
      </div>
    </>
  );
}
