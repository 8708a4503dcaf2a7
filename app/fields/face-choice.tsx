import styles from './face-choice.module.css';
import type { SelectProps } from 'antd';
import { Select } from 'antd';
import { z } from 'zod';
import { faceById, FACES } from '../../core/text/catalogue';
import { fetched, useFetched } from '../browser/later';
import { widthOf } from './width';

/** Choosing a font, each listed in its own face. */

const Names = z.record(z.string(), z.object({ d: z.string(), width: z.number(), height: z.number() }));
const drawn = fetched(async () => Names.parse(await (await fetch('/art/faces.json')).json()));

/** A font's name in its own face, or in plain text until that has loaded. */
function FaceName({ id, name }: { id: string; name: string }) {
  const names = useFetched(drawn);
  const one = names.kind === 'here' ? names.value[id] : undefined;
  if (!one) return name;
  return (
    <>
      <span className="sr">{name}</span>
      <svg className={styles.name} aria-hidden="true" width={one.width} height={one.height}>
        <path d={one.d} />
      </svg>
    </>
  );
}

type Props<T> = Pick<SelectProps<T>, 'value' | 'placeholder' | 'mode' | 'maxCount' | 'onChange'> & {
  label: string;
  /** Only fonts for early readers. */
  early?: boolean;
  /** In pixels; without it the choice fills what is left of its row. */
  width?: number;
};

export function FaceChoice<T extends string | string[] | null>({ label, early, width, ...rest }: Props<T>) {
  return (
    <Select<T>
      size="small"
      aria-label={label}
      style={widthOf(width)}
      popupMatchSelectWidth={260}
      showSearch={{ optionFilterProp: 'label' }}
      options={FACES.filter((face) => !early || face.early).map(({ id, name }) => ({ value: id, label: name }))}
      optionRender={({ value, label: name }) => <FaceOption id={String(value)} name={String(name)} />}
      {...rest}
    />
  );
}

function FaceOption({ id, name }: { id: string; name: string }) {
  return (
    <span className={styles.option}>
      <FaceName id={id} name={name} />
      {faceById(id).early && <small className="quiet">Early reader</small>}
    </span>
  );
}
