import { inMillimetres, inReadersUnit, lengthUnit } from '@rosefinch/words';
import { type ComponentProps, useMemo } from 'react';
import { useWords } from '../words/index.ts';
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
  const t = useWords();
  const unit = lengthUnit(t.reader);
  // The field takes another rule for a change from elsewhere, and would forget what is being typed.
  const own = useMemo(
    () => ({
      ...rule,
      low: rounded(inReadersUnit(rule.low, t.reader)),
      high: rounded(inReadersUnit(rule.high, t.reader)),
      unit,
    }),
    [rule, unit, t.reader],
  );
  return (
    <CheckedNumber
      {...rest}
      {...(label !== undefined && { label: t('parts.withUnit', { label, unit }) })}
      rule={own}
      decimalScale={DECIMALS}
      value={rounded(inReadersUnit(valueMm, t.reader))}
      onValue={(value) => onMm(inMillimetres(value, t.reader))}
    />
  );
}
