import { DayField } from './day-field';

/** The times of a handout, and what each is called while there is none. */
const NONE = { opens: 'At once', due: 'No due time', closes: 'Stays open', returns: 'Each at once' };
export type MomentName = keyof typeof NONE;

type Props = {
  name: MomentName;
  none?: string;
  /** Local, to the minute; empty for none. */
  value: string;
  /** The field that the server found something wrong with. */
  wrong: string | undefined;
  onChange: (value: string) => void;
};

/** When a handout opens, is due or closes, and when what is returned goes back. */
export const HandoutMoment = ({ name, none = NONE[name], value, wrong, onChange }: Props) => (
  <DayField time mayBeNone label={name} none={none} value={value} invalid={wrong === `${name}At`} onChange={onChange} />
);
