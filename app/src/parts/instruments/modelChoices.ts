import { MODELS, type Model } from '@rosefinch/core/strings';
import type { Words } from '@rosefinch/words';

const kindOf = (model: Model) => model.build('', '').kind;

/** Models as a list offers them, kind by kind. */
export function modelChoices(t: Words, models: readonly Model[] = MODELS) {
  return [...new Set(models.map(kindOf))].map((kind) => ({
    group: t('parts.kinds', { kind }),
    items: models
      .filter((model) => kindOf(model) === kind)
      .map(({ id, name }) => ({ value: id, label: t(name) })),
  }));
}
