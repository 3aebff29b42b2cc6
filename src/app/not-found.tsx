import { message } from '../core/message/message';
import { Nothing } from '../ui/shared/Nothing';

export default function NotFound() {
  return (
    <Nothing
      what={message('Not on the stove')}
      why={message('No batch or page has this address.')}
      href="/plan"
      go={message('Go to Plan')}
    />
  );
}
