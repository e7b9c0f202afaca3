import {
  capital,
  loadInWords,
  reasonInWords,
  referenceInWords,
  stringInWords,
  wayInWords,
} from '@rosefinch/core/words';
import type { Settings } from '../../data/index.ts';
import { moveInWords, noteOf, strainOf, turnsOf, type Way } from './way.ts';

/** The plan on paper, step by step. */
export function PlanPrinted({ way, settings }: { readonly way: Way; readonly settings: Settings }) {
  const { instrument, plan } = way;
  return (
    <section className="on-paper" aria-hidden="true">
      <h2>{instrument.name}</h2>
      <p>{wayInWords(way)}</p>
      <ol>
        {plan.steps.map((step) => (
          <li key={step.course}>
            <strong>
              {capital(stringInWords(way.instrument, step.course))}: {noteOf(way, step.fromHz)} →{' '}
              {noteOf(way, step.toHz)}, {moveInWords(step)}
            </strong>
            , {turnsOf(way, step)}; {strainOf(step, settings)}.{' '}
            {step.references[0] && `Compare: ${referenceInWords(step.references[0])}`}
          </li>
        ))}
      </ol>
      <p>
        {reasonInWords(plan.reason)} {loadInWords(plan, settings.force)}
      </p>
    </section>
  );
}
