import { card } from '../parts/card';
import { Button } from 'antd';
import { Form } from 'react-router';
import { Strip } from './strip';
import { useZone, whenWords } from '../browser/time';
import styles from './damaged.module.css';

export type DamageSaid = { documentId: string; changedAt: Date; last: { at: Date } | null };

/** Shown instead of a sheet that can't be read: the reason, its last readable state, and how to go on from there. */
export function DamagedScreen({
  damage,
  title,
  home,
  back,
  picture,
  now,
}: {
  damage: DamageSaid;
  title: string;
  home: string;
  /** Where to return once it is mended. */
  back: string;
  picture: string;
  now: number;
}) {
  return (
    <div className={`${styles.damaged} dapple`}>
      <Strip home={home} title={title} />
      <main>
        <DamageCard damage={damage} back={back} now={now} />
        {damage.last && <img className="paper" src={picture} alt="The last state that can be read" />}
      </main>
    </div>
  );
}

export function DamageCard({ damage, back, now }: { damage: DamageSaid; back: string; now: number }) {
  const zone = useZone();
  return (
    <section className={card(styles.damageCard)} role="alert">
      <h2>This sheet is damaged</h2>
      <p>Its newest state, changed {whenWords(damage.changedAt, now, zone)}, can’t be read. Nothing is thrown away.</p>
      {damage.last ? (
        <Form method="post" action={`/documents/${damage.documentId}/mend`} reloadDocument>
          <input type="hidden" name="back" value={back} />
          <p>
            The last state that can be read is of <strong>{whenWords(damage.last.at, now, zone)}</strong>. You can go on
            from there; what came later is set aside.
          </p>
          <Button type="primary" htmlType="submit">
            Go on from this state
          </Button>
        </Form>
      ) : (
        <p>No earlier state of it can be read either. Tell whoever looks after Dappled Margin, and restore a backup.</p>
      )}
    </section>
  );
}
