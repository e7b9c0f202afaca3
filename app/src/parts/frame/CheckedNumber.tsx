import { NumberInput, type NumberInputProps } from '@mantine/core';
import { writing, written } from '@rosefinch/core/writing';
import { useEffect, useRef, useState } from 'react';
import { number, ValidationError } from 'yup';

/** How numbers with a fraction are typed: both ways are understood, the reader's is shown. */
export function decimals() {
  return { decimalSeparator: writing().decimal, allowedDecimalSeparators: ['.', ','] };
}

/** What a number may be. */
export interface NumberRule {
  readonly name: string;
  readonly low: number;
  readonly high: number;
  /** With its space: ' Hz'. */
  readonly unit: string;
  readonly whole?: true;
}

/** What was typed as a number, or why it is none that can be. @example judged('6', SCALE) // => 'Scale: 6 mm is too short …' */
export function judgedNumber(
  typed: number | string,
  { name, low, high, unit, whole }: NumberRule,
): number | string {
  const range = `${written(low)} to ${written(high)}${unit}`;
  const schema = number()
    // An empty field is no zero.
    .transform((value, original) => (original === '' ? Number.NaN : value))
    .typeError(`${name}: a number from ${range}`)
    .min(low, ({ value }) => `${name}: ${written(value)}${unit} is too little; ${range}`)
    .max(high, ({ value }) => `${name}: ${written(value)}${unit} is too much; ${range}`)
    .test('whole', `${name}: a whole number; ${range}`, (value) =>
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
  const [typed, setTyped] = useState<number | string>(value);
  const judged = judgedNumber(typed, rule);
  const lawful = typeof judged === 'number';
  const tell = useRef(onLawful);
  tell.current = onLawful;
  useEffect(() => tell.current?.(lawful), [lawful]);
  // What another part of the page has changed is shown; what is being typed is left alone.
  useEffect(
    () => setTyped((now) => (judgedNumber(now, rule) === value ? now : value)),
    [value, rule],
  );
  return (
    <NumberInput
      {...decimals()}
      {...rest}
      value={typed}
      clampBehavior="none"
      error={lawful ? undefined : stays ? `${judged}. ${stays}` : judged}
      onChange={(next) => {
        setTyped(next);
        const checked = judgedNumber(next, rule);
        if (typeof checked === 'number') onValue(checked);
      }}
    />
  );
}
