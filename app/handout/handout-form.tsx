import { Alert, Button, Checkbox, Input } from 'antd';
import { Link } from 'react-router';
import type { Sheet } from '../../core/schema/sheet';
import { inWords } from '../../core/values/listed';
import { later } from '../browser/later';
import { dueWords, useZone } from '../browser/time';
import type { MomentName } from '../fields/handout-moment';
import { HandoutMoment } from '../fields/handout-moment';
import { Action } from '../parts/action';
import type { Draft, HandOutDraft, HandOutView } from './draft';
import { countOf, versionCount } from './draft';
import type { Point } from './shown';
import { RubricEdit } from './rubric-edit';
import { Whom } from './whom';
import styles from './hand-out.module.css';

const Versions = later(() => import('./versions').then((part) => part.Versions));
const StepsEdit = later(() => import('./steps-edit').then((part) => part.StepsEdit));
const TriedOnPick = later(() => import('./tried-on-pick').then((part) => part.TriedOnPick));
const SuppliesEdit = later(() => import('./supplies-edit').then((part) => part.SuppliesEdit));
const LookForEdit = later(() => import('./lookfor-edit').then((part) => part.LookForEdit));

/** The form beside the sheet: to whom it goes, until when, and what is looked for. */

type Of = { of: HandOutDraft };

function WhoAndWhen({ of: { draft, set, wrong }, classes }: Of & Pick<HandOutView, 'classes'>) {
  const moment = (name: Exclude<MomentName, 'returns'>) => (
    <HandoutMoment name={name} value={draft[name]} wrong={wrong?.field} onChange={(value) => set({ [name]: value })} />
  );
  return (
    <section>
      <h2>Who and when</h2>
      {classes.length === 0 && (
        <p className="quiet">
          You have no class yet. <Link to="/classes">Add one</Link>, then come back.
        </p>
      )}
      <Whom draft={draft} set={set} classes={classes} />
      {classes.some(({ id, groups }) => draft.classes.includes(id) && groups.length > 0) && (
        <Checkbox checked={draft.together} onChange={(event) => set({ together: event.target.checked })}>
          Each group works on one copy
        </Checkbox>
      )}
      <p className={styles.dueRow}>Due {moment('due')}</p>
      <p className={styles.dueRow}>
        Opens {moment('opens')} <span className="quiet">Before that students don’t see it.</span>
      </p>
      <p className={styles.dueRow}>
        Closes {moment('closes')} <span className="quiet">After that nothing is accepted, not even late.</span>
      </p>
    </section>
  );
}

/** What look-fors bring beside the rubric. */
function Weights({ lookFors }: Pick<Draft, 'lookFors'>) {
  const sum = lookFors.reduce((all, { points = 0 }) => all + points, 0);
  return (
    <p className="quiet">
      {sum > 0
        ? `Look-fors bring ${sum} ${sum === 1 ? 'point' : 'points'} more.`
        : 'A look-for can bring points, too: set them under “More” of it.'}
    </p>
  );
}

/** What pressing the button will do, in words. */
function Outcome({ of: { draft }, classes }: Of & Pick<HandOutView, 'classes'>) {
  const zone = useZone();
  const chosen = classes.filter(({ id }) => draft.classes.includes(id));
  const students = chosen.reduce((sum, one) => sum + countOf(one, draft.only), 0);
  if (chosen.length === 0) return <span className={styles.lacking}>Choose a class first.</span>;
  const none = chosen.find((one) => countOf(one, draft.only) === 0);
  if (none) return <span className={styles.lacking}>Choose who of {none.name} gets it.</span>;
  const had = chosen.filter(({ hadAt }) => hadAt !== null);
  const count = versionCount(draft.versions);
  const due = draft.due && !Number.isNaN(Date.parse(draft.due)) ? new Date(draft.due) : null;
  return (
    <span>
      <b>{students === 1 ? '1 student' : `${students} students`}</b> of {inWords(chosen.map(({ name }) => name))},{' '}
      {dueWords(due, Date.now(), zone)}
      {draft.together && ', each group on one copy'}
      {count > 1 && `, ${count} versions`}
      {had.length > 0 && (
        <em className={styles.had}>
          {inWords(had.map(({ name }) => name))} {had.length === 1 ? 'has' : 'have'} this sheet already: they get one
          more copy.
        </em>
      )}
    </span>
  );
}

type Props = Of & {
  view: HandOutView;
  sheet: Sheet;
  onRefuse: (reason: string) => void;
  point: Point;
  /** The cards of look-fors have moved. */
  onScroll: () => void;
};

export function HandoutForm({ of, view, sheet, onRefuse, point, onScroll }: Props) {
  const { draft, set, tried, wrong } = of;
  return (
    <div className={styles.handingAll}>
      <div className={styles.handingForm} onScroll={onScroll}>
        <div className={styles.handingFields}>
          <section>
            <label className={styles.block} htmlFor="title">
              Name of the handout
            </label>
            <Input id="title" value={draft.title} onChange={(event) => set({ title: event.target.value })} />
          </section>
          <WhoAndWhen of={of} classes={view.classes} />
          <Versions
            draft={draft}
            view={view}
            set={(versions) => set({ versions })}
            problem={of.looking.problem}
            shown={of.looking.shown}
            looking={of.looking.busy}
            onShow={of.looking.show}
          />
          <section>
            <label className={styles.block} htmlFor="brief">
              Brief: what to do
            </label>
            <Input.TextArea
              id="brief"
              rows={3}
              value={draft.brief}
              onChange={(event) => set({ brief: event.target.value })}
            />
            <div className={styles.inSteps}>
              <StepsEdit steps={draft.steps} lookFors={draft.lookFors} onChange={(steps) => set({ steps })} />
            </div>
            {view.otherSheets.length > 0 && (
              <label className={styles.example}>
                <span>An example to look at</span>
                <select
                  className="pick"
                  value={draft.example ?? ''}
                  onChange={(event) => set({ example: event.target.value || null })}
                >
                  <option value="">none</option>
                  {view.otherSheets.map(({ id, title }) => (
                    <option key={id} value={id}>
                      {title}
                    </option>
                  ))}
                </select>
              </label>
            )}
          </section>
          <section>
            <h2>What you will look for</h2>
            <TriedOnPick of={of} view={view} />
            <LookForEdit
              on={of.tryOn.other?.name ?? null}
              sheet={sheet}
              lookFors={draft.lookFors}
              tried={tried}
              onChange={(lookFors) => {
                const there = (id: string) => lookFors.some((one) => one.id === id);
                set({
                  lookFors,
                  steps: draft.steps.map((step) => ({ ...step, lookFors: step.lookFors.filter(there) })),
                });
              }}
              onAdd={(lookFors, supplies) => set({ lookFors, supplies })}
              supplies={draft.supplies}
              onRefuse={onRefuse}
              point={point}
            />
          </section>
          <section>
            <h2>Rubric</h2>
            <RubricEdit
              rubric={draft.rubric}
              weighs={draft.lookFors.some(({ points = 0 }) => points > 0)}
              onChange={(rubric) => set({ rubric })}
            />
            <Weights lookFors={draft.lookFors} />
          </section>
          <SuppliesEdit draft={draft} set={set} />
          {of.isKept && (
            <p className="quiet">
              What you filled in is kept in this browser until it is handed out.{' '}
              <Action onClick={of.startOver}>start over</Action>
            </p>
          )}
        </div>
      </div>
      <footer className={styles.send}>
        {wrong && <Alert type="error" showIcon title={wrong.problem} role="alert" />}
        <Outcome of={of} classes={view.classes} />
        <Button type="primary" size="large" loading={of.sending} onClick={() => void of.send()}>
          {of.again ? 'Hand it out again' : 'Hand it out'}
        </Button>
      </footer>
    </div>
  );
}
