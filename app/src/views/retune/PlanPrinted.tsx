import { list } from '@rosefinch/core/message';
import {
  loadInWords,
  reasonInWords,
  referenceInWords,
  stringTitle,
  wayInWords,
} from '@rosefinch/core/sentences';
import { useWords } from '../../parts/words/index.ts';
import { isThere, moveInWords, noteOf, strainOf, turnsOf, type Way } from './way.ts';

/** The plan on paper, step by step. */
export function PlanPrinted({ way }: { readonly way: Way }) {
  const t = useWords();
  const { instrument, plan } = way;
  return (
    <section className="on-paper" aria-hidden="true">
      <h2>{instrument.name}</h2>
      <p>{t(wayInWords(way))}</p>
      <ol>
        {plan.steps.map((step) => (
          <li key={step.course}>
            <strong>
              {t('retune.printedStep', {
                string: stringTitle(way.instrument, step.course),
                from: noteOf(way, step.fromHz),
                to: noteOf(way, step.toHz),
                move: moveInWords(step),
              })}
            </strong>
            , {t.value(list([turnsOf(way, step), strainOf(step)].filter(isThere), 'semicolons'))}.{' '}
            {step.references[0] &&
              t('retune.compareValue', { value: referenceInWords(step.references[0]) })}
          </li>
        ))}
      </ol>
      <p>
        {t(reasonInWords(plan.reason))} {t(loadInWords(plan))}
      </p>
    </section>
  );
}
