import { sentence } from '../parts/sentence';
import { AutoComplete } from 'antd';
import { useState } from 'react';
import { useSearch } from '../browser/search';
import type { Editor } from '../document/editor';
import { focusSheet } from '../fields/focus';
import { loadIndex, pictureIndex } from '../pictures/picture-index';
import type { NamedSupply } from './sorts';
import { namedSupplies } from './sorts';
import styles from './drawer.module.css';

/** Adds whatever is called by its name, from the keyboard: “+”, a few letters, Enter. */

/** The most results offered. */
const OFFERED = 12;
export function AddByName({ editor }: { editor: Editor }) {
  const [wanted, setWanted] = useState('');
  const [supplies, setSupplies] = useState<NamedSupply[]>([]);
  const load = () => {
    const list = () => setSupplies(namedSupplies(editor));
    // Until the pictures have loaded, and without them, everything else can be found.
    if (pictureIndex().entries.length === 0) list();
    loadIndex().then(list, () => {});
  };
  const search = useSearch(supplies);
  const found = wanted.trim() ? search(wanted).slice(0, OFFERED) : [];
  const close = () => {
    setWanted('');
    focusSheet();
  };
  return (
    <AutoComplete
      size="small"
      className={styles.addByName}
      data-add-by-name
      aria-label="Add by name"
      placeholder="Add by name  +"
      value={wanted}
      onFocus={load}
      onChange={setWanted}
      options={found.map(({ name, group }, i) => ({
        value: `${i}`,
        label: (
          <>
            {sentence(name)} <small className="quiet">{group}</small>
          </>
        ),
      }))}
      notFoundContent={wanted.trim() ? 'Nothing is called that. Try a simpler word.' : null}
      defaultActiveFirstOption
      popupMatchSelectWidth={260}
      onSelect={(index: string) => {
        close();
        found[Number(index)].put();
      }}
      onKeyDown={(event) => {
        if (event.key === 'Escape') close();
      }}
    />
  );
}
