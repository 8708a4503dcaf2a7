import { Select } from 'antd';
import type { Spelling } from '../../../core/language/spelling';

export function SpellingChoice({ spelling, onChange }: { spelling: Spelling; onChange: (spelling: Spelling) => void }) {
  return (
    <Select
      size="small"
      aria-label="How exact the spelling has to be"
      value={spelling}
      style={{ width: 150 }}
      onChange={onChange}
      options={[
        { value: 'exact', label: 'must be exact' },
        { value: 'near', label: 'small slips are fine' },
        { value: 'loose', label: 'sounds right' },
      ]}
    />
  );
}
