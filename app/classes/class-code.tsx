import type { ClassRow } from '../../server/stores/classes';
import { Action } from '../parts/action';
import { Sure } from '../parts/sure';
import { useAsking } from './asking';
import styles from './class-card.module.css';

/** The code that students come in with. */
export function ClassCode({ given: { id, code, codeClosed, rights } }: { given: ClassRow }) {
  const asking = useAsking(id);
  const ask = (what: string) => asking({ do: 'code', what });
  return (
    <span className={styles.code}>
      Class code <b data-closed={codeClosed || undefined}>{code}</b>
      {rights === 'full' && (
        <>
          {codeClosed ? (
            <Action onClick={() => ask('open')}>open again</Action>
          ) : (
            <Sure
              question="Nobody can sign in with this code until you open it again. Who is signed in stays so."
              verb="close it"
              onSure={() => ask('close')}
            >
              close
            </Sure>
          )}
          <Sure
            question="This code stops working: printed cards and notes with it too."
            verb="make a new one"
            onSure={() => ask('renew')}
          >
            new code
          </Sure>
        </>
      )}
    </span>
  );
}
