import { COLOURS } from '../theme/tokens';
import { focusSheet } from './focus';
import { Tooltip } from 'antd';
import { useId, useState } from 'react';
import type { Sheet } from '../../core/schema/sheet';
import { fromSum, fromUnit, inUnit } from '../../core/sheet/units';
import { sentence } from '../parts/sentence';
import styles from './number-field.module.css';

/** Numbers and lengths: typed with a unit or as a sum, taken at Enter or when left. */

type LengthProps = {
  label: string;
  value: number | null;
  unit: Sheet['unit'];
  min?: number;
  max?: number;
  onChange: (points: number) => void;
};

/** As far as a sheet reaches, in points. */
const FAR = 7200;

/** A length in the page's unit; another unit may be typed after the number, and a sum. */
export function LengthField({ label, value, unit, min, max = FAR, onChange }: LengthProps) {
  const shown = value === null ? '' : inUnit(value, unit);
  return (
    <TypedField
      label={label}
      shown={shown}
      mixed={value === null}
      suffix={unit}
      read={(typed) => {
        const points = fromUnit(typed, unit);
        return points === null
          ? `Type a length, such as ${inUnit(72, unit)}, or a sum such as ${inUnit(180, unit)}/2.`
          : min !== undefined && points < min
            ? `At least ${inUnit(min, unit)} ${unit}.`
            : Math.abs(points) > max
              ? `At most ${inUnit(max, unit)} ${unit}: a sheet reaches no further.`
              : { value: points };
      }}
      onChange={onChange}
    />
  );
}

export function NumberField({
  label,
  bare,
  value,
  suffix,
  min,
  max,
  onChange,
}: {
  label: string;
  bare?: boolean;
  value: number | null;
  suffix?: string;
  min: number;
  max: number;
  onChange: (value: number) => void;
}) {
  return (
    <TypedField
      label={label}
      bare={bare}
      shown={value === null ? '' : `${Math.round(value * 100) / 100}`}
      mixed={value === null}
      suffix={suffix}
      read={(typed) => {
        const number = fromSum(typed.replace(/[^\d.,)]+$/, ''));
        if (number === null) return 'Type a number, or a sum such as 90/4.';
        return number < min || number > max ? `Between ${min} and ${max}.` : { value: number };
      }}
      onChange={onChange}
    />
  );
}

type ShareProps = {
  label: string;
  bare?: boolean;
  /** 0 to 1, or null where several differ. */
  share: number | null;
  least?: number;
  most?: number;
  onChange: (share: number) => void;
};

/** A share, shown and typed as a percentage. */
export function PercentField({ share, least = 0, most = 1, onChange, ...rest }: ShareProps) {
  return (
    <NumberField
      {...rest}
      value={share === null ? null : Math.round(share * 100)}
      suffix="%"
      min={Math.round(least * 100)}
      max={Math.round(most * 100)}
      onChange={(value) => onChange(value / 100)}
    />
  );
}

type TypedProps = {
  label: string;
  /** The row already shows the label; this one is for screen readers. */
  bare?: boolean;
  shown: string;
  /** Several differ in it. */
  mixed?: boolean;
  suffix?: string;
  read: (typed: string) => string | { value: number };
  onChange: (value: number) => void;
};

/** Takes what is typed at Enter or when the field is left. Wrong input gets a message and changes nothing. */
function TypedField({ label, bare, shown, mixed, suffix, read, onChange }: TypedProps) {
  const id = useId();
  const [typed, setTyped] = useState<string | null>(null);
  const [wrong, setWrong] = useState<string | null>(null);
  /** False for wrong input. */
  const take = (): boolean => {
    if (typed !== null && typed !== shown) {
      const result = read(typed);
      if (typeof result === 'string') {
        setWrong(result);
        return false;
      }
      onChange(result.value);
    }
    setWrong(null);
    setTyped(null);
    return true;
  };
  return (
    <span className={styles.typed}>
      <label htmlFor={id} className={bare ? 'sr' : undefined}>
        {sentence(label)}
      </label>
      <Tooltip title={wrong} open={wrong !== null} color={COLOURS.rust}>
        <input
          id={id}
          value={typed ?? shown}
          placeholder={mixed ? 'Mixed' : undefined}
          inputMode="decimal"
          aria-invalid={wrong !== null}
          onFocus={(event) => event.currentTarget.select()}
          onChange={(event) => {
            setTyped(event.target.value);
            setWrong(null);
          }}
          onBlur={() => {
            take();
            if (wrong) {
              setWrong(null);
              setTyped(null);
            }
          }}
          onKeyDown={(event) => {
            if (event.key === 'Enter' && take()) setTimeout(focusSheet);
            if (event.key === 'Escape') {
              setTyped(null);
              setWrong(null);
            }
          }}
        />
      </Tooltip>
      {suffix && <span className={styles.unit}>{suffix}</span>}
    </span>
  );
}
