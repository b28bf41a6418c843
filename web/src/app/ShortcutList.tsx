import { Kbd, Modal, Table } from '@mantine/core';

const shortcuts: [keys: string[], what: string][] = [
  [['?'], 'This list'],
  [['1', '–', '6'], 'Survey, Size, Plumb, Flush, Verify, Keep'],
  [['U'], 'Switch between bar and psi'],
  [['Ctrl', 'Z'], 'Take the last change back'],
  [['Ctrl', 'Shift', 'Z'], 'Bring it back again'],
  [['/'], 'Search the jobs'],
  [['N'], 'New job'],
  [['Enter'], 'Commit a reading; Esc drops what is half typed'],
];

/** Every shortcut of the application in one list. */
export function ShortcutList({ opened, onClose }: { opened: boolean; onClose: () => void }) {
  return (
    <Modal
      opened={opened}
      onClose={onClose}
      title="Keyboard"
      closeButtonProps={{ 'aria-label': 'Close' }}
    >
      <Table>
        <Table.Tbody>
          {shortcuts.map(([keys, what]) => (
            <Table.Tr key={what}>
              <Table.Td style={{ whiteSpace: 'nowrap' }}>
                {keys.map((key) =>
                  key === '–' ? (
                    ' – '
                  ) : (
                    <Kbd key={key} mr={4}>
                      {key}
                    </Kbd>
                  ),
                )}
              </Table.Td>
              <Table.Td>{what}</Table.Td>
            </Table.Tr>
          ))}
        </Table.Tbody>
      </Table>
    </Modal>
  );
}
