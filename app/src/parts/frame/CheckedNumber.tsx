import { NumberInput, type NumberInputProps } from '@mantine/core';
import type { LabelId } from '@rosefinch/core/message';
import type { Reader, Words } from '@rosefinch/words';
import { useEffect, useRef, useState } from 'react';
import { number, ValidationError } from 'yup';
import { useWords } from '../words/index.ts';

/** How numbers with a fraction are typed: both ways are understood, the reader's is shown. */
export function decimals({ decimal }: Pick<Reader, 'decimal'>) {
  return { decimalSeparator: decimal, allowedDecimalSeparators: ['.', ','] };
}

/** What a number may be. */
export interface NumberRule {
  readonly name: LabelId;
  readonly low: number;
  readonly high: number;
  /** The unit shown after the number. */
  readonly unit: 'Hz' | 'cents' | 'mm' | 'in' | 'minutes' | 'gramsPerMetre' | 'none';
  readonly whole?: true;
}

/** What was typed as a number, or why it is none that can be. @example judged('6', SCALE) // => 'Scale: 6 mm is too short …' */
export function judgedNumber(
  typed: number | string,
  { name, low, high, unit, whole }: NumberRule,
  t: Words,
): number | string {
  const rule = { name: t(name), low, high, unit };
  const schema = number()
    // An empty field is no zero.
    .transform((value, original) => (original === '' ? Number.NaN : value))
    .typeError(t('parts.numberFrom', rule))
    .min(low, ({ value }) => t('parts.tooLittle', { ...rule, value }))
    .max(high, ({ value }) => t('parts.tooMuch', { ...rule, value }))
    .test('whole', t('parts.wholeNumber', rule), (value) =>
      whole ? Number.isInteger(value) : true,
    )
    .required();
  try {
    return schema.validateSync(typed);
  } catch (error) {
    if (error instanceof ValidationError) return error.message;
    throw error;
  }
}

type Props = Omit<NumberInputProps, 'value' | 'onChange' | 'error' | 'min' | 'max'> & {
  readonly rule: NumberRule;
  readonly value: number;
  readonly onValue: (value: number) => void;
  /** What goes on to hold while the field is wrong, in words. */
  readonly stays?: string;
  /** Told whether what stands in the field can be. */
  readonly onLawful?: (lawful: boolean) => void;
};

/** A number that counts only while it can be; otherwise the field says why, and keeps what was typed. */
export function CheckedNumber({ rule, value, onValue, stays, onLawful, ...rest }: Props) {
  const t = useWords();
  const [typed, setTyped] = useState<number | string>(value);
  const judged = judgedNumber(typed, rule, t);
  const lawful = typeof judged === 'number';
  const tell = useRef(onLawful);
  tell.current = onLawful;
  useEffect(() => tell.current?.(lawful), [lawful]);
  // What another part of the page has changed is shown; what is being typed is left alone.
  const shown = useRef(value);
  useEffect(() => {
    if (shown.current === value) return;
    shown.current = value;
    setTyped((now) => (judgedNumber(now, rule, t) === value ? now : value));
  }, [value, rule, t]);
  return (
    <NumberInput
      {...decimals(t.reader)}
      {...rest}
      value={typed}
      clampBehavior="none"
      error={lawful ? undefined : stays ? `${judged}. ${stays}` : judged}
      onChange={(next) => {
        setTyped(next);
        const checked = judgedNumber(next, rule, t);
        if (typeof checked === 'number') onValue(checked);
      }}
    />
  );
}
