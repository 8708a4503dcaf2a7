import { AutoComplete, Button, Checkbox, Input } from 'antd';
import { useState } from 'react';
import type { PictureEntry } from './picture-index';
import { putPictureAway, tidyPictures } from './picture-index';
import styles from './pictures.module.css';

/** What is said of a picture of one's own: its name, where it lies, where it is from, who else has it. */

type Props = {
  entry: PictureEntry;
  /** Sections that there are. */
  sections: readonly string[];
  /** Whose shelf has sections, and is shared. */
  teacher: boolean;
  onEnd: () => void;
};

export function ShelfForm({ entry, sections, teacher, onEnd }: Props) {
  const [name, setName] = useState(entry.name);
  const [section, setSection] = useState(entry.shelf?.section ?? '');
  const [credit, setCredit] = useState(entry.credit);
  const [shared, setShared] = useState(entry.shelf?.shared ?? false);
  const [problem, setProblem] = useState<string | null>(null);
  const [busy, setBusy] = useState(false);
  const done = async (work: Promise<string | null>) => {
    setBusy(true);
    const went = await work;
    setBusy(false);
    if (went === null) onEnd();
    else setProblem(went);
  };
  return (
    <form
      className={styles.shelfForm}
      aria-label={`About “${entry.name}”`}
      onSubmit={(event) => {
        event.preventDefault();
        void done(tidyPictures([entry.id], teacher ? { name, section, credit, shared } : { name, credit }));
      }}
      onKeyDown={(event) => event.key === 'Escape' && onEnd()}
    >
      <img src={`/art/pictures/${entry.id}.svg`} alt="" />
      <label>
        <span>Name</span>
        <Input size="small" autoFocus maxLength={80} value={name} onChange={(event) => setName(event.target.value)} />
      </label>
      {teacher && (
        <label>
          <span>Section</span>
          <AutoComplete
            size="small"
            value={section}
            maxLength={40}
            placeholder="None"
            options={sections.map((value) => ({ value }))}
            onChange={setSection}
          />
        </label>
      )}
      <label>
        <span>Source, for the credits</span>
        <Input
          size="small"
          maxLength={200}
          placeholder="Who made it, where it is from"
          value={credit}
          onChange={(event) => setCredit(event.target.value)}
        />
      </label>
      <div className={styles.shelfActs}>
        {teacher && (
          <Checkbox checked={shared} onChange={(event) => setShared(event.target.checked)}>
            Share with teachers of my classes
          </Checkbox>
        )}
        <span className={styles.shelfButtons}>
          <Button size="small" type="primary" htmlType="submit" disabled={busy}>
            Save
          </Button>
          <Button size="small" onClick={onEnd}>
            Cancel
          </Button>
          <Button
            size="small"
            disabled={busy}
            title="Sheets that show it keep it"
            onClick={() => void done(putPictureAway(entry.id))}
          >
            {teacher ? 'Remove from the shelf' : 'Remove'}
          </Button>
        </span>
        {problem && (
          <span role="alert" className={styles.bringProblem}>
            {problem}
          </span>
        )}
      </div>
    </form>
  );
}
