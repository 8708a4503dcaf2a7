import { SpellingChoice } from './spelling-choice';
import type { LabelsLookFor } from '../../../core/lookfors/labels';
import type { SettingsProps } from './settings';

export function LabelsSettings({ lookFor, set }: SettingsProps<LabelsLookFor>) {
  return (
    <>
      <span className="quiet">{lookFor.expect.length} parts, spelling</span>
      <SpellingChoice spelling={lookFor.spelling} onChange={(spelling) => set({ spelling })} />
    </>
  );
}
