// The morning's page of a large workshop: 40 craft, 3,000 pieces, 20,000 events in the ledger.
import { v7 } from 'uuid';
import { fillRack, get, post, timed } from './demoRequests.mjs';
import { withDemoServer } from './demoServer.mjs';

const PORT = 4815;
const [CRAFTS, PIECES, EVENTS] = [40, 3000, 20_000];
const AT_ONCE = 100;
const NOT_SENT = new Set(['revision', 'createdAt', 'updatedAt', 'kind', 'rotors', 'use', 'weights', 'carryThrustN']);

export async function todayFigures(seed) {
  return withDemoServer(PORT, async (address) => {
    const { items: crafts } = await get(address, 'crafts');
    for (let i = crafts.length; i < CRAFTS; i++) {
      const like = Object.entries(crafts[i % crafts.length]).filter(([name]) => !NOT_SENT.has(name));
      await post(address, 'crafts', { ...Object.fromEntries(like), id: v7(), name: `Craft ${i}`, packPieceId: null });
    }
    await fillRack(address, seed, PIECES);
    const pieces = await newPieces(address);
    for (let events = PIECES, i = 0; events < EVENTS; events += AT_ONCE, i++) {
      const at = (i * AT_ONCE) % (pieces.length - AT_ONCE);
      await post(address, 'pieces/actions', {
        action: 'move',
        ids: pieces.slice(at, at + AT_ONCE),
        isDynamic: null,
        craftId: null,
        place: null,
        level: null,
        as: null,
        location: `drawer ${i}`,
        setId: null,
        reason: null,
      });
    }
    // Nobody asks twice for what has not changed: a flight is written down before every question.
    const fly = () =>
      post(address, `care/${crafts[0].id}/flights`, {
        id: v7(),
        durationS: 300,
        packPieceId: null,
        strikes: [],
        note: null,
      });
    return [
      await timed(address, 'today.ms', 'today', 100, fly),
      await timed(address, 'lines.ms', 'crafts/lines', 100, fly),
    ];
  });
}

/** A page of pieces that nobody has fitted. */
async function newPieces(address) {
  const { items } = await get(address, 'pieces?state=new');
  return items.map((p) => p.id);
}
