declare module 'stopword' {
  export const eng: readonly string[];
}
