import { Modal } from 'antd';
import type { Bench } from '../document/bench';
import { COMMANDS, OTHER_KEYS } from './keys';

/** All keys of the workbench on one leaf. */
export default function KeySheet({ bench }: { bench: Bench }) {
  const row = ({ keys, says }: { keys: string; says: string }) => (
    <div key={keys} className="key-row">
      <dt>
        {keys.split(' · ').map((each, i) => (
          <span key={each}>
            {i > 0 && ' · '}
            <kbd>{each}</kbd>
          </span>
        ))}
      </dt>
      <dd>{says}</dd>
    </div>
  );
  return (
    <Modal open title="Keyboard shortcuts" footer={null} width={860} onCancel={() => bench.put({ keySheet: false })}>
      <div className="key-sheet">
        {COMMANDS.map(({ title, commands }) => (
          <section key={title}>
            <h4>{title}</h4>
            <dl>{commands.map(row)}</dl>
          </section>
        ))}
        <section>
          <h4>Everywhere</h4>
          <dl>{OTHER_KEYS.map(row)}</dl>
        </section>
      </div>
    </Modal>
  );
}
