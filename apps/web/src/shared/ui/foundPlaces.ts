import type { FoundView } from '@zivvo/contract';

/** What is found, by its kind. */
export const foundNames: Record<FoundView['kind'], string> = {
  piece: 'Piece',
  craft: 'Craft',
  propModel: 'Prop',
  campaign: 'Stand evening',
  run: 'Run',
  pack: 'Pack',
  motor: 'Motor',
  set: 'Set',
  delivery: 'Delivery',
  listening: 'Listening',
  flight: 'Flights',
  take: 'Takes',
  ticket: 'Ticket',
  verdict: 'Verdict',
};

/** Where it is shown. */
export function pathOfFound({ kind, id }: Pick<FoundView, 'kind' | 'id'>): string {
  return {
    piece: `/rack/pieces/${id}`,
    craft: `/crafts/${id}`,
    propModel: `/rack/${id}`,
    campaign: `/stand/${id}`,
    run: `/stand/runs/${id}`,
    pack: `/rack/parts/packs/${id}`,
    motor: `/rack/parts/motors/${id}`,
    set: '/rack/sets',
    delivery: `/rack/deliveries/${id}`,
    listening: `/listen?listening=${id}`,
    flight: '/fly',
    take: `/listen?listening=${id}`,
    ticket: '/care/tickets',
    verdict: `/judge/${id}`,
  }[kind];
}
