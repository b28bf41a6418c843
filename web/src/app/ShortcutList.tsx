import { Kbd, Switch } from '@mantine/core';
import { Dialog } from '../ui/Dialog.tsx';
import { readerChanged } from '../data/readerSlice.ts';
import { useAppDispatch, useAppSelector } from '../data/store.ts';

const shortcuts: [keys: string[], what: string][] = [
  [['?'], 'This list'],
  [['1', '–', '6'], 'Survey, Size, Plumb, Flush, Verify, Keep'],
  [['U'], 'Switch between bar and psi'],
  [['Ctrl', 'Z'], 'Take the last change back'],
  [['Ctrl', 'Shift', 'Z'], 'Bring it back again'],
  [['F'], 'Flush on the whole screen; L lists its steps'],
  [['W'], 'Open or close the waterline'],
  [['/'], 'Search the jobs'],
  [['N'], 'New job'],
  [['Enter'], 'Commit a reading; Esc drops what is half typed'],
];

/** Every shortcut of the application in one list. */
export function ShortcutList({ onClose }: { onClose: () => void }) {
  const dispatch = useAppDispatch();
  const singleKeys = useAppSelector((state) => state.reader.singleKeys);
  return (
    <Dialog onClose={onClose} title="Keyboard">
      <table className="table">
        <tbody>
          {shortcuts.map(([keys, what]) => (
            <tr key={what}>
              <td className="whole">
                {keys.map((key) =>
                  key === '–' ? (
                    ' – '
                  ) : (
                    <Kbd key={key} mr={4}>
                      {key}
                    </Kbd>
                  ),
                )}
              </td>
              <td>{what}</td>
            </tr>
          ))}
        </tbody>
      </table>
      <Switch
        mt="md"
        size="md"
        label="Listen to shortcuts of a single key"
        description="Turned off, only those with Ctrl are listened to. The account menu leads back here."
        checked={singleKeys}
        onChange={(event) => dispatch(readerChanged({ singleKeys: event.currentTarget.checked }))}
      />
    </Dialog>
  );
}
