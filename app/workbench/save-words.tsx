import { fileName } from '../../core/items/name';
import { downloadText } from '../browser/download';
import type { Bench } from '../document/bench';
import { useBench } from '../document/bench';

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

const asideOf = (bench: Bench) => bench.aside;
/** What could not be saved, to be downloaded; it stays here until it is let go. */
function SetAside({ bench }: { bench: Bench }) {
  const aside = useBench(bench, asideOf);
  if (aside.length === 0) return null;
  const handOver = () => {
    const words = JSON.stringify({ sheet: bench.sheet.title, notSaved: aside }, null, 2);
    downloadText(`${fileName(bench.sheet.title, 'sheet')} (not saved).json`, 'application/json', words);
  };
  return (
    <div className="notice">
      <span>
        {aside.length === 1 ? '1 change could not be saved' : `${aside.length} changes could not be saved`} and{' '}
        {aside.length === 1 ? 'is' : 'are'} kept in this browser: {aside.at(-1)!.reason}
      </span>
      <button type="button" className="plainbtn" onClick={handOver}>
        download
      </button>
      <button type="button" className="plainbtn" onClick={() => bench.forgetAside()}>
        discard
      </button>
    </div>
  );
}

const noticeOf = (bench: Bench) => bench.notice;
/** What has to be said once, where it can't be overlooked and is in nobody's way. */
export function Notice({ bench }: { bench: Bench }) {
  const notice = useBench(bench, noticeOf);
  return (
    <div className="notice-place" role="alert">
      <SetAside bench={bench} />
      {notice && (
        <div key={notice.count} className="notice">
          <span>{notice.text}</span>
          <button type="button" className="plainbtn" onClick={() => bench.hush()}>
            OK
          </button>
        </div>
      )}
    </div>
  );
}
