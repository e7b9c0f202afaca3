import { counted, HELP_SAYS, searchGuide } from '@rosefinch/core/words';
import './help.css';
import { Stack, TextInput } from '@mantine/core';
import { Link, useSearchParams } from 'react-router';
import { ViewHead } from '../../parts/frame/index.ts';

/** All pages of the guide, found by any word in them. */
export function HelpView() {
  const [search, setSearch] = useSearchParams();
  const query = search.get('for') ?? '';
  const found = searchGuide(query);
  return (
    <Stack>
      <ViewHead title="Guide" />
      <TextInput
        maw={520}
        size="md"
        label="Search the guide"
        value={query}
        onChange={(event) => {
          const { value } = event.currentTarget;
          setSearch(value === '' ? {} : { for: value }, { replace: true });
        }}
      />
      <div role="status" className="soft">
        {found.length === 0 ? HELP_SAYS.noPage : counted(found.length, 'page', 'pages')}
      </div>
      <ol className="guide-list">
        {found.map(({ id, title, lines }) => (
          <li key={id}>
            <Link to={`/help/${id}`}>{title}</Link>
            <div className="soft">{lines[0]}</div>
          </li>
        ))}
      </ol>
    </Stack>
  );
}
