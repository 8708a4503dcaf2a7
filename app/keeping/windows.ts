/** Windows of one browser: when somebody signs out in one, all of them go. */

/** One for the whole window: what it sends does not come back to it. */
let channel: BroadcastChannel | undefined;
const others = () => (channel ??= new BroadcastChannel('dappled-margin'));

/** The slots of sheets that windows of this browser hold at this moment. */
export async function heldSlots(): Promise<string[]> {
  const { held = [] } = (await navigator.locks?.query()) ?? {};
  return held.flatMap(({ name }) => name ?? []);
}

/** Has all other windows go to the front page; is done when none of theirs holds a sheet any more, or after a while. */
export async function closeOtherWindows(personId: string): Promise<void> {
  others().postMessage('signed out');
  for (let i = 0; i < 40; i++) {
    if (!(await heldSlots()).some((slot) => slot.startsWith(`${personId}/`))) return;
    await new Promise((resolve) => setTimeout(resolve, 50));
  }
}

/** Places that show nothing of anybody: what is being typed there stays. */
const OPEN_TO_ALL = new Set(['/', '/join', '/credits']);

/** Leaves for the front page when another window signs out. */
export function followSigningOut(): () => void {
  const leave = () => {
    if (!OPEN_TO_ALL.has(window.location.pathname)) window.location.replace('/?signed-out');
  };
  others().addEventListener('message', leave);
  return () => others().removeEventListener('message', leave);
}
