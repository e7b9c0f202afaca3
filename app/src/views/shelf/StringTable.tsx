import { Button, Checkbox, NativeSelect } from '@mantine/core';
import { type Message, message } from '@rosefinch/core/message';
import { targetsOf } from '@rosefinch/core/music';
import { directionInWords, inCourseInShort, materialInWords } from '@rosefinch/core/sentences';
import {
  type Course,
  homeTuning,
  type Instrument,
  inCourse,
  MATERIALS,
  type Peg,
  plainUnitWeight,
  possibleCounts,
  type StringSpec,
  stringLoad,
  usualCore,
  withoutString,
  withString,
} from '@rosefinch/core/strings';
import { lengthUnit } from '@rosefinch/words';
import { IconX } from '@tabler/icons-react';
import type { Stock } from '../../data/index.ts';
import {
  CheckedLength,
  CheckedNumber,
  IconAction,
  type NumberRule,
  Wide,
} from '../../parts/frame/index.ts';
import { useWords } from '../../parts/words/index.ts';

/** Beyond these no wire is made, and its strength not known. */
const DIAMETER: NumberRule = { name: 'parts.ruleDiameter', low: 0.1, high: 6.5, unit: 'mm' };
const CORE: NumberRule = { name: 'parts.ruleCore', low: 0.1, high: 6.5, unit: 'mm' };
const WEIGHT: NumberRule = {
  name: 'parts.ruleWeight',
  low: 0.01,
  high: 100,
  unit: 'gramsPerMetre',
};
const RATIO: NumberRule = { name: 'parts.ruleRatio', low: 0.2, high: 60, unit: 'none' };

/** Weight as a share of a solid string's; of other strings than steel also the core as a share of the diameter: of the sets of the models. */
const USUAL_WOUND = { steel: { weight: 0.83 }, other: { core: 0.65, weight: 4.6 } } as const;

/** A word and its arrow take so much, in px. */
const CHOICE_WIDE = 110;

const DIRECTIONS: Peg['tighten'][] = ['awayFromYou', 'towardsYou', 'clockwise', 'counterClockwise'];

interface StringsProps {
  readonly instrument: Instrument;
  readonly stock: Stock;
  readonly onChange: (number: number, next: Course) => void;
  /** One string more or less, as tunings for so many are known. */
  readonly onCount: (next: Instrument) => void;
  /** Told of each field whether it can be so. */
  readonly lawful: (field: string) => (is: boolean) => void;
}

/** Every string and its peg, each figure changeable, and what they carry. */
export function StringTable({ instrument, stock, onChange, onCount, lawful }: StringsProps) {
  const t = useWords();
  const { more, fewer } = possibleCounts(instrument, stock.tunings);
  return (
    <>
      <Wide label={t('shelf.stringsAndPegs')}>
        <table className="ledger" aria-label={t('shelf.stringsAndPegs')}>
          <thead>
            <tr>
              <th scope="col">{t('shelf.string')}</th>
              <th scope="col">{t('shelf.material')}</th>
              <th scope="col">{t('shelf.wound')}</th>
              <th scope="col">
                {t('shelf.diameterLengthUnit', { lengthUnit: lengthUnit(t.reader) })}
              </th>
              <th scope="col">{t('shelf.coreLengthUnit', { lengthUnit: lengthUnit(t.reader) })}</th>
              <th scope="col">{t('shelf.weightGM')}</th>
              <th scope="col">{t('shelf.tighten')}</th>
              <th scope="col">{t('shelf.pegRatio')}</th>
              <th scope="col">{t('shelf.tensionForce', { force: stock.settings.force })}</th>
              <th scope="col">{t('shelf.toBreakingSemitones')}</th>
              {fewer && <th scope="col">{t('shelf.takeAway')}</th>}
            </tr>
          </thead>
          <tbody>
            {instrument.courses.toReversed().map((course) => (
              <StringRow
                key={course.number}
                instrument={instrument}
                stock={stock}
                course={course}
                onChange={(next) => onChange(course.number, next)}
                {...(fewer && {
                  onAway: () => onCount(withoutString(instrument, course.number, stock.tunings)),
                })}
                lawful={lawful}
              />
            ))}
          </tbody>
        </table>
      </Wide>
      {more && (
        <Button
          variant="default"
          size="xs"
          mt="xs"
          onClick={() => onCount(withString(instrument, stock.tunings))}
        >
          {t('shelf.addAString')}
        </Button>
      )}
    </>
  );
}

interface RowProps {
  readonly instrument: Instrument;
  readonly stock: Stock;
  readonly course: Course;
  readonly onChange: (next: Course) => void;
  /** Takes it away, where an instrument may have one string less. */
  readonly onAway?: () => void;
  readonly lawful: StringsProps['lawful'];
}

function StringRow({ instrument, stock, course, onChange, onAway, lawful }: RowProps) {
  const t = useWords();
  const [first, ...others] = course.strings;
  if (!first) return null;
  const place = inCourse(instrument, course.number);
  const { spec, peg } = first;
  const withSpec = (part: Partial<StringSpec>) =>
    onChange({ ...course, strings: [{ peg, spec: asMade({ ...spec, ...part }) }, ...others] });
  const withPeg = (part: Partial<Peg>) =>
    onChange({ ...course, strings: [{ spec, peg: { ...peg, ...part } }, ...others] });
  const field = (rule: NumberRule, off: boolean) => ({
    rule,
    onLawful: lawful(`${rule.name} ${course.number}`),
    'aria-label': t('shelf.fieldOfString', { field: t(rule.name), string: course.number }),
    size: 'xs',
    w: 92,
    hideControls: true,
    disabled: off,
  });
  const figure = (rule: NumberRule, value: number, set: (value: number) => void, off = false) => (
    <CheckedNumber {...field(rule, off)} decimalScale={4} value={value} onValue={set} />
  );
  const length = (rule: NumberRule, mm: number, set: (mm: number) => void, off = false) => (
    <CheckedLength {...field(rule, off)} valueMm={mm} onMm={set} />
  );
  return (
    <tr>
      <th scope="row">
        {course.number}
        {place && <div className="soft">{t(inCourseInShort(place))}</div>}
      </th>
      <td>
        <NativeSelect
          aria-label={t('shelf.materialOfStringNumber', { number: course.number })}
          size="xs"
          miw={CHOICE_WIDE}
          data={(Object.keys(MATERIALS) as StringSpec['material'][]).map((value) => ({
            value,
            label: t(materialInWords(value)),
          }))}
          value={spec.material}
          onChange={(event) =>
            withSpec({ material: event.currentTarget.value as StringSpec['material'] })
          }
        />
      </td>
      <td>
        <Checkbox
          aria-label={t('shelf.stringNumberIsWound', { number: course.number })}
          checked={spec.wound}
          onChange={(event) => withSpec(rewound(spec, event.currentTarget.checked))}
        />
      </td>
      <td>{length(DIAMETER, spec.diameterMm, (diameterMm) => withSpec({ diameterMm }))}</td>
      <td>{length(CORE, spec.coreMm, (coreMm) => withSpec({ coreMm }), !spec.wound)}</td>
      <td>
        {figure(
          WEIGHT,
          1000 * spec.unitWeight,
          (grams) => withSpec({ unitWeight: grams / 1000 }),
          !spec.wound,
        )}
      </td>
      <td>
        <NativeSelect
          aria-label={t('shelf.tightenStringNumber', { number: course.number })}
          size="xs"
          miw={CHOICE_WIDE}
          data={DIRECTIONS.map((value) => ({ value, label: t(directionInWords(value)) }))}
          value={peg.tighten}
          onChange={(event) => withPeg({ tighten: event.currentTarget.value as Peg['tighten'] })}
        />
        <div className="soft">{t(triedInWords(peg))}</div>
      </td>
      <td>{figure(RATIO, peg.ratio, (ratio) => withPeg({ ratio }))}</td>
      <Outcome instrument={instrument} stock={stock} course={course.number} spec={spec} />
      {onAway && (
        <td>
          <IconAction
            label={t('shelf.takeStringNumberAway', { number: course.number })}
            onAct={onAway}
          >
            <IconX size={16} />
          </IconAction>
        </td>
      )}
    </tr>
  );
}

/** @example ‘tried, figures good to 12 %’ */
function triedInWords({ known, measured }: Peg): Message {
  if (known === 'assumed') return message('shelf.pegNotTried');
  return measured
    ? message('shelf.pegTriedFigures', { percent: Math.round(100 * measured.error) })
    : message('shelf.pegTried');
}

/** Of a wound string nothing but its diameter is known at first: core and weight as is usual. */
function rewound(spec: StringSpec, wound: boolean): Partial<StringSpec> {
  if (!wound) return { wound };
  const { density } = MATERIALS[spec.material];
  const solid = plainUnitWeight(density, spec.diameterMm);
  if (spec.material === 'steel')
    return {
      wound,
      coreMm: Math.min(usualCore(spec.diameterMm), spec.diameterMm),
      unitWeight: USUAL_WOUND.steel.weight * solid,
    };
  const { core, weight } = USUAL_WOUND.other;
  return {
    wound,
    coreMm: Math.round(100 * core * spec.diameterMm) / 100,
    unitWeight: weight * solid,
  };
}

/** A plain string carries its whole diameter, and weighs what its material does. */
function asMade(spec: StringSpec): StringSpec {
  if (spec.wound) return spec;
  const { density } = MATERIALS[spec.material];
  return {
    ...spec,
    coreMm: spec.diameterMm,
    unitWeight: plainUnitWeight(density, spec.diameterMm),
  };
}

interface OutcomeProps {
  readonly instrument: Instrument;
  readonly stock: Stock;
  readonly course: number;
  readonly spec: StringSpec;
}

/** What the string carries in the tuning that the instrument is kept in. */
function Outcome({ instrument, stock, course, spec }: OutcomeProps) {
  const t = useWords();
  const { settings, tunings } = stock;
  const home = homeTuning(instrument, tunings);
  const hz = home && targetsOf(home, settings.a4)[course - 1]?.hz;
  // While a figure is being typed it may be no string yet.
  const whole = spec.coreMm >= 0.1 && spec.coreMm <= 6.5 && spec.unitWeight > 0;
  const load = hz && whole && instrument.scaleMm > 0 ? stringLoad(instrument, course, hz) : null;
  if (!load)
    return (
      <>
        <td>–</td>
        <td>–</td>
      </>
    );
  return (
    <>
      <td>{t.force(load.tension, false)}</td>
      <td>{t.number(load.headroom, 1)}</td>
    </>
  );
}
