import { Modal } from '@mantine/core';
import { useKeysInForce } from '../../shared/keys/keys.ts';
import classes from './KeysHelp.module.css';

/** The keys of this page. */
export default function KeysHelp({ onClose }: { onClose: () => void }) {
  const keys = useKeysInForce();
  return (
    <Modal opened onClose={onClose} title="Keys of this page" size="md">
      <table className={classes.keys}>
        <tbody>
          {keys.map(({ key, what }) => (
            <tr key={key}>
              <th scope="row">
                {key.split(' ').map((part) => (
                  <kbd key={part}>{part}</kbd>
                ))}
              </th>
              <td>{what}</td>
            </tr>
          ))}
        </tbody>
      </table>
      <p className="muted">Single letters can be switched off in Settings. No key fires while you type.</p>
    </Modal>
  );
}
