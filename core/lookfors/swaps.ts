import { normalised } from '../language/spelling';
import type { Evidence } from './kind';

/** Wrong answers that stand in each other's place are swapped: each says what the other should. */
export const withSwaps = (evidence: readonly Evidence[]): Evidence[] =>
  evidence.map((one) => {
    if (one.verdict !== 'wrong') return one;
    const [said, meant] = [normalised(one.said), normalised(one.meant)];
    const other = evidence.some(
      (another) =>
        another.verdict === 'wrong' && normalised(another.said) === meant && normalised(another.meant) === said,
    );
    return other ? { ...one, verdict: 'swapped' as const } : one;
  });
