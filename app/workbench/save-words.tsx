import type { Bench } from './bench';
import { useBench } from './bench';

const saveOf = (bench: Bench) => bench.saveShown;
const clock = new Intl.DateTimeFormat('en-GB', { hour: '2-digit', minute: '2-digit' });

/** Says plainly how saving stands. */
export function SaveWords({ bench }: { bench: Bench }) {
  const save = useBench(bench, saveOf);
  const changes = (n: number) => `${n} ${n === 1 ? 'change' : 'changes'}`;
  return (
    <span className={`save-words ${save.kind}`} role="status" suppressHydrationWarning>
      {save.kind === 'saved' && `saved ${clock.format(save.at)}`}
      {save.kind === 'saving' && 'saving …'}
      {save.kind === 'offline' &&
        `${save.trouble ? 'the server can’t save just now' : 'offline'} · ${changes(save.waiting)} kept here`}
      {save.kind === 'stopped' && 'not being saved'}
    </span>
  );
}

const noticeOf = (bench: Bench) => bench.notice;
/** What has to be said once, where it can't be overlooked and is in nobody's way. */
export function Notice({ bench }: { bench: Bench }) {
  const notice = useBench(bench, noticeOf);
  return (
    <div className="notice-place" role="alert">
      {notice && (
        <div key={notice.count} className="notice">
          <span>{notice.text}</span>
          <button type="button" className="plainbtn" onClick={() => bench.hush()}>
            all right
          </button>
        </div>
      )}
    </div>
  );
}
