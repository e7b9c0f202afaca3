import { Button, Group } from '@mantine/core';
import { SHELF_SAYS } from '@rosefinch/core/words';
import { QRCodeSVG } from 'qrcode.react';
import { useSearchParams } from 'react-router';
import { useStock } from '../../data/index.ts';
import { ViewHead } from '../../parts/frame/index.ts';
import { labelOf } from '../../parts/rounds/index.ts';

/** Labels to print and stick on: name and QR code, so that the camera knows the instrument in a round. */
export function LabelsPage() {
  const stock = useStock();
  const [search] = useSearchParams();
  if (!stock) return <p>One moment …</p>;
  const group = search.get('group');
  const shelf = stock.shelf.filter(({ groups = [] }) => group === null || groups.includes(group));
  return (
    <>
      <ViewHead title="Labels">
        <Group>
          <Button onClick={() => window.print()}>Print them</Button>
        </Group>
      </ViewHead>
      <p className="soft screen-only">{SHELF_SAYS.labels}</p>
      <ul className="labels" data-printed>
        {shelf.map(({ id, name, kind }) => (
          <li key={id} className="label">
            <QRCodeSVG value={labelOf(id)} size={84} title={`Label of ${name}`} />
            <span>
              <strong>{name}</strong>
              <span>{kind}</span>
            </span>
          </li>
        ))}
      </ul>
    </>
  );
}
