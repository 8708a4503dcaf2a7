declare module 'subset-font' {
  export default function subsetFont(
    font: Uint8Array,
    text: string,
    options: { targetFormat: 'truetype' | 'woff2' },
  ): Promise<Uint8Array>;
}
