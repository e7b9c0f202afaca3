import { searchGuide } from '@rosefinch/core/sentences';
import { useWords } from '../../parts/words/index.ts';
import './help.css';
import { Stack, TextInput } from '@mantine/core';
import { Link, useSearchParams } from 'react-router';
import { ViewHead } from '../../parts/frame/index.ts';

/** All pages of the guide, found by any word in them. */
export function HelpView() {
  const t = useWords();
  const [search, setSearch] = useSearchParams();
  const query = search.get('for') ?? '';
  const found = searchGuide(query, t);
  return (
    <Stack>
      <ViewHead title={t('common.guide')} />
      <TextInput
        maw={520}
        size="md"
        label={t('help.searchTheGuide')}
        value={query}
        onChange={(event) => {
          const { value } = event.currentTarget;
          setSearch(value === '' ? {} : { for: value }, { replace: true });
        }}
      />
      <div role="status" className="soft">
        {found.length === 0 ? t('help.noPage') : t('help.pages', { pages: found.length })}
      </div>
      <ol className="guide-list">
        {found.map(({ id, title, lines }) => (
          <li key={id}>
            <Link to={`/help/${id}`}>{t(title)}</Link>
            <div className="soft">{t(lines[0])}</div>
          </li>
        ))}
      </ol>
    </Stack>
  );
}
