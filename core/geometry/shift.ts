import { hundredths } from '../values/hundredths';

/**
 * Path data moved by `dx` and `dy`, in its own units, rounded to hundredths. Absolute M, L, H, V, C and Q are moved, relative
 * commands stay as they are.
 */
export function shiftedPath(d: string, dx: number, dy: number): string {
  if (dx === 0 && dy === 0) return d;
  return d.replace(/([MLHVCQ])([^A-DF-Za-df-z]*)/g, (_, command: string, list: string) => {
    let across = command !== 'V';
    return (
      command +
      list.replace(/-?(?:\d+\.?\d*|\.\d+)(?:e[-+]?\d+)?/gi, (number, at: number) => {
        const moved = hundredths(Number(number) + (across ? dx : dy));
        if (command !== 'H' && command !== 'V') across = !across;
        // Numbers may stand together where only a sign tells them apart.
        return at > 0 && /[\d.]/.test(list[at - 1]) ? ` ${moved}` : moved;
      })
    );
  });
}
