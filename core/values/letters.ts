/** A, B … Z, AA, AB …, as versions are called. */
export function letterOf(n: number): string {
  const last = String.fromCharCode(65 + (n % 26));
  return n < 26 ? last : letterOf(Math.floor(n / 26) - 1) + last;
}
