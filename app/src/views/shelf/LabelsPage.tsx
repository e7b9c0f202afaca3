import { Button, Group } from '@mantine/core';
import { kindInWords } from '@rosefinch/core/sentences';
import { QRCodeSVG } from 'qrcode.react';
import { useSearchParams } from 'react-router';
import { useStock } from '../../data/index.ts';
import { ViewHead } from '../../parts/frame/index.ts';
import { labelOf } from '../../parts/rounds/index.ts';
import { useWords } from '../../parts/words/index.ts';

/** Labels to print and stick on: name and QR code, so that the camera knows the instrument in a round. */
export function LabelsPage() {
  const t = useWords();
  const stock = useStock();
  const [search] = useSearchParams();
  if (!stock) return <p>{t('common.moment')}</p>;
  const group = search.get('group');
  const shelf = stock.shelf.filter(({ groups = [] }) => group === null || groups.includes(group));
  return (
    <>
      <ViewHead title={t('shelf.labels2')}>
        <Group>
          <Button onClick={() => window.print()}>{t('shelf.printThem')}</Button>
        </Group>
      </ViewHead>
      <p className="soft screen-only">{t('shelf.labels')}</p>
      <ul className="labels" data-printed>
        {shelf.map(({ id, name, kind }) => (
          <li key={id} className="label">
            <QRCodeSVG value={labelOf(id)} size={84} title={t('shelf.labelOfName', { name })} />
            <span>
              <strong>{name}</strong>
              <span>{t(kindInWords(kind))}</span>
            </span>
          </li>
        ))}
      </ul>
    </>
  );
}
