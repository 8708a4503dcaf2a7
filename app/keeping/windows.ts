/** Signing out in one window signs out all windows of the browser. */

/** One channel for the window: it doesn't hear its own messages. */
let channel: BroadcastChannel | undefined;
const others = () => (channel ??= new BroadcastChannel('dappled-margin'));

/** The slots that windows of this browser hold now. */
export async function heldSlots(): Promise<string[]> {
  const { held = [] } = (await navigator.locks?.query()) ?? {};
  return held.flatMap(({ name }) => name ?? []);
}

/** Sends all other windows to the front page. Resolves when none holds a sheet any more, or after a while. */
export async function closeOtherWindows(personId: string): Promise<void> {
  others().postMessage('signed out');
  for (let i = 0; i < 40; i++) {
    if (!(await heldSlots()).some((slot) => slot.startsWith(`${personId}/`))) return;
    await new Promise((resolve) => setTimeout(resolve, 50));
  }
}

/** Pages that show nobody's data: what is typed there stays. */
const OPEN_TO_ALL = new Set(['/', '/join', '/credits']);

/** Leaves for the front page when another window signs out. */
export function followSigningOut(): () => void {
  const leave = () => {
    if (!OPEN_TO_ALL.has(window.location.pathname)) window.location.replace('/?signed-out');
  };
  others().addEventListener('message', leave);
  return () => others().removeEventListener('message', leave);
}
