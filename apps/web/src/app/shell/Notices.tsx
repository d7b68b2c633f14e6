import '@mantine/notifications/styles.layer.css';
import { Notifications } from '@mantine/notifications';

/** Where notices appear; loaded after the page. */
export default function Notices() {
  return <Notifications position="bottom-center" limit={3} />;
}
