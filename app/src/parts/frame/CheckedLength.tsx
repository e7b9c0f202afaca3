import { inMillimetres, inReadersUnit, lengthUnit } from '@rosefinch/core/writing';
import type { ComponentProps } from 'react';
import { CheckedNumber, type NumberRule } from './CheckedNumber.tsx';

type Props = Omit<ComponentProps<typeof CheckedNumber>, 'rule' | 'value' | 'onValue' | 'label'> & {
  /** In millimetres. */
  readonly rule: NumberRule;
  /** The unit stands behind it; a field without one has its name elsewhere. */
  readonly label?: string;
  readonly valueMm: number;
  readonly onMm: (mm: number) => void;
};

/** Finer than this nobody measures: in the reader's unit. */
const DECIMALS = 4;

const rounded = (value: number) => Number(value.toFixed(DECIMALS));

/** A length in the reader's unit; what it is told and tells is in millimetres. */
export function CheckedLength({ rule, label, valueMm, onMm, ...rest }: Props) {
  const low = rounded(inReadersUnit(rule.low));
  const high = rounded(inReadersUnit(rule.high));
  const { name, unit: _, ...more } = rule;
  return (
    <CheckedNumber
      {...rest}
      {...(label !== undefined && { label: `${label}, ${lengthUnit()}` })}
      rule={{ ...more, name, low, high, unit: ` ${lengthUnit()}` }}
      decimalScale={DECIMALS}
      value={rounded(inReadersUnit(valueMm))}
      onValue={(value) => onMm(inMillimetres(value))}
    />
  );
}
