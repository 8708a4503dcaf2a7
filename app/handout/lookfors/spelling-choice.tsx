import type { Spelling } from '../../../core/language/spelling';
import { Choice } from '../../fields/choice';

export function SpellingChoice({ spelling, onChange }: { spelling: Spelling; onChange: (spelling: Spelling) => void }) {
  return (
    <Choice
      label="How exact the spelling has to be"
      value={spelling}
      options={[
        { value: 'exact', label: 'must be exact' },
        { value: 'near', label: 'small slips are fine' },
        { value: 'loose', label: 'sounds right' },
      ]}
      onChange={onChange}
      width={150}
    />
  );
}
