import { Checkbox } from 'antd';
import type { ReactNode } from 'react';
import { Row } from '../parts/row';

type Props = { checked: boolean; onChange: (on: boolean) => void; children: ReactNode };

/** A setting that is on or off, in a row of its own. */
export const Check = ({ checked, onChange, children }: Props) => (
  <Row label="">
    <Checkbox checked={checked} onChange={(event) => onChange(event.target.checked)}>
      {children}
    </Checkbox>
  </Row>
);
