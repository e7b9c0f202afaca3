import { Modal, Switch, Table } from '@mantine/core';

const KEYS: readonly (readonly [string, string])[] = [
  ['1 – 9', 'choose a string'],
  ['0 or Esc', 'back to automatic'],
  ['Space', 'accept and go on'],
  ['R', 'next pass'],
  ['H', 'hide the figures; then Space compares'],
  ['D', 'hear the target'],
  ['C', 'compare two strings by their beat'],
  ['F', 'hear a reference: fork, piano, another string'],
  ['G', 'peg test: begin, end'],
  ['P', 'practice guitar: pluck'],
  ['↑ ↓', 'practice guitar: tighten, loosen a hair; with Shift more'],
  ['M', 'practice guitar: mute'],
  ['T', 'practice guitar: its own truth'],
  ['?', 'this list'],
];

interface Props {
  readonly opened: boolean;
  readonly onClose: () => void;
  readonly keysOn: boolean;
  readonly onKeysOn: (on: boolean) => void;
}

export function KeyList({ opened, onClose, keysOn, onKeysOn }: Props) {
  return (
    <Modal
      opened={opened}
      onClose={onClose}
      title="Keys"
      closeButtonProps={{ 'aria-label': 'Close' }}
    >
      <Switch
        label="Keys are on"
        checked={keysOn}
        onChange={(event) => onKeysOn(event.currentTarget.checked)}
        mb="md"
      />
      <Table>
        <Table.Tbody>
          {KEYS.map(([key, does]) => (
            <Table.Tr key={key}>
              <Table.Th scope="row" w={110}>
                {key}
              </Table.Th>
              <Table.Td>{does}</Table.Td>
            </Table.Tr>
          ))}
        </Table.Tbody>
      </Table>
    </Modal>
  );
}
