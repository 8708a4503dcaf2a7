import type { LookFor, LookForOf } from '../../../core/lookfors/all';
import { CombinedParts } from './combined';
import { OtherWords } from './concept-map';
import type { LookForSettings, SettingsProps } from './settings';

/** What a kind of look-for has beside its sentence: one row each. */
const BESIDE: { [K in LookFor['kind']]?: LookForSettings<LookForOf<K>> } = {
  map: OtherWords,
  combined: CombinedParts,
};

export function Beside(props: SettingsProps<LookFor>) {
  const Of = BESIDE[props.lookFor.kind] as LookForSettings<LookFor> | undefined;
  return Of && <Of {...props} />;
}
