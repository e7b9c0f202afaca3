import { Switch, Table } from '@mantine/core';
import { Dialog } from './Dialog.tsx';

interface Props {
  /** Key and what it does. */
  readonly keys: readonly (readonly [string, string])[];
  readonly opened: boolean;
  readonly onClose: () => void;
  readonly keysOn: boolean;
  readonly onKeysOn: (on: boolean) => void;
}

/** The keys of a view, in words, and the switch for all of them. */
export function KeyList({ keys, opened, onClose, keysOn, onKeysOn }: Props) {
  return (
    <Dialog title="Keys" opened={opened} onClose={onClose}>
      <Switch
        label="Keys are on"
        checked={keysOn}
        onChange={(event) => onKeysOn(event.currentTarget.checked)}
        mb="md"
      />
      <Table>
        <Table.Tbody>
          {keys.map(([key, does]) => (
            <Table.Tr key={key}>
              <Table.Th scope="row" w={110}>
                {key}
              </Table.Th>
              <Table.Td>{does}</Table.Td>
            </Table.Tr>
          ))}
        </Table.Tbody>
      </Table>
    </Dialog>
  );
}
