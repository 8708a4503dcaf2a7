/**
 * A browser that could not fetch a module refuses it until the page is loaded anew, also where another module asks for it. So what
 * is loaded ahead of time, or without a network, is fetched first with all that it imports, and only then run: what is lost
 * meanwhile harms nothing.
 */

declare global {
  // What the build puts around each import of a part.
  var partOf: (load: (part: string) => Promise<unknown>, part: string, from: string) => Promise<unknown>;
}

/** What a built module imports at once: `from"./x.js"`, or `import"./x.js"` for its effects alone. */
const IMPORTED = /\b(?:from|import)\s*["'](\.\/[\w.-]+\.js)["']/g;

const here = new Set<string>();

/** @throws TypeError where the network fails */
async function fetchWhole(address: string, on: readonly string[] = []): Promise<void> {
  if (here.has(address) || on.includes(address)) return;
  const answer = await fetch(address);
  if (!answer.ok) throw new TypeError(address);
  const imported = [...(await answer.text()).matchAll(IMPORTED)].map(([, part]) => new URL(part, address).href);
  await Promise.all(imported.map((part) => fetchWhole(part, [...on, address])));
  here.add(address);
}

let isAhead = false;
if (typeof window !== 'undefined')
  globalThis.partOf = async (load, part, from) => {
    // Without a network, what is kept of a part may be less than all of it.
    if (isAhead || !navigator.onLine) await fetchWhole(new URL(part, from).href);
    // Asked for again, it has another address.
    return load(part).catch(() => load(`${part}?again=${Date.now()}`));
  };

/** Does work whose parts are fetched whole before they run. One at a time; what else is imported meanwhile is fetched like that, too. */
export async function wholeFirst(work: () => Promise<unknown>): Promise<void> {
  isAhead = true;
  try {
    await work();
  } finally {
    isAhead = false;
  }
}
