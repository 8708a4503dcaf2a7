import type { LookFor, LookForOf } from '../../../core/lookfors/all';
import { MapSettings } from './concept-map';
import { ItemsSettings } from './items';
import { LabelsSettings } from './labels';
import { NameSettings } from './name';
import type { LookForSettings, SettingsProps } from './settings';
import { StyleSettings } from './style';
import { WordsSettings } from './words';

/** The settings of each kind of look-for. Null where there are none. */
const SETTINGS: { [K in LookFor['kind']]: LookForSettings<LookForOf<K>> | null } = {
  labels: LabelsSettings,
  words: WordsSettings,
  style: StyleSettings,
  items: ItemsSettings,
  name: NameSettings,
  map: MapSettings,
  teacher: null,
  unknown: null,
};

export function Settings(props: SettingsProps<LookFor>) {
  const Of = SETTINGS[props.lookFor.kind] as LookForSettings<LookFor> | null;
  return Of && <Of {...props} />;
}
