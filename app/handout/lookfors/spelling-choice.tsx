import type { Spelling } from '../../../core/language/spelling';
import { Choice } from '../../fields/choice';

export function SpellingChoice({ spelling, onChange }: { spelling: Spelling; onChange: (spelling: Spelling) => void }) {
  return (
    <Choice
      label="How exact the spelling has to be"
      value={spelling}
      names={{ exact: 'must be exact', near: 'small slips are fine', loose: 'sounds right' }}
      onChange={onChange}
      width={150}
    />
  );
}
