'use client';

import { Download, FileText, Printer } from 'lucide-react';
import type { TimedOrder } from '../../core/order/order';
import { queryOf } from '../order/address';
import { useSay } from '../shared/hooks/useSay';
import { BUTTON } from '../shared/styles';
import { OnService } from './OnService';

/** The plan on paper, in another program, or on the board of a service. */
export function TakeAway({ order, dayEnds }: { readonly order: TimedOrder; readonly dayEnds: number }) {
  const say = useSay();
  const query = queryOf(order).toString();
  const file = (as: string, more = '') => `/api/plan/export?${query}&as=${as}${more}`;
  return (
    <div className="grid gap-3 p-4">
      <a className={BUTTON} href={`/plan/print?${query}`} target="_blank" rel="noreferrer">
        <Printer size={22} aria-hidden /> {say('Print: open the page')}
      </a>
      <a className={BUTTON} href={file('pdf', '&paper=A4')} download>
        <FileText size={22} aria-hidden /> {say('PDF, A4')}
      </a>
      <a className={BUTTON} href={file('pdf', '&paper=LETTER')} download>
        <FileText size={22} aria-hidden /> {say('PDF, Letter')}
      </a>
      <a className={BUTTON} href={file('csv')} download>
        <Download size={22} aria-hidden /> {say('Weigh-out as CSV')}
      </a>
      <a className={BUTTON} href={file('json')} download>
        <Download size={22} aria-hidden /> {say('Plan as JSON')}
      </a>
      <OnService order={order} dayEnds={dayEnds} />
    </div>
  );
}
