import { MODELS, type Model } from '@rosefinch/core/strings';
import { capital } from '@rosefinch/core/words';

const kindOf = (model: Model) => model.build('', '').kind;

/** Models as a list offers them, kind by kind. */
export function modelChoices(models: readonly Model[] = MODELS) {
  return [...new Set(models.map(kindOf))].map((kind) => ({
    group: capital(kind),
    items: models
      .filter((model) => kindOf(model) === kind)
      .map(({ id, name }) => ({ value: id, label: name })),
  }));
}
