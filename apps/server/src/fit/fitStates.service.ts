import { Inject, Injectable } from '@nestjs/common';
import { LIST_MAX, type ArmView } from '@zivvo/contract';
import { fittedForces, layoutKind, modelGeometry, takeOff, type FittedForces, type TakeOffForces } from '@zivvo/core';
import type { CraftRow } from '../craft/craft.repository.ts';
import { CraftRotors } from '../craft/craftRotors.ts';
import { DB, type Db } from '../database/database.ts';
import { EventRepository, type NewestEvent } from '../event/event.repository.ts';
import { PieceRepository, type LivingPiece } from '../rack/piece.repository.ts';
import { PropModelRepository, type PropModelRow } from '../rack/propModel.repository.ts';
import { armKey, ArrangementSource, type Arrangement } from '../ready/sources.ts';
import { toArmViews } from './fit.mapper.ts';
import { FittingRepository, type FittingRow } from './fit.repository.ts';
import { FitFactsRepository } from './fitFacts.repository.ts';

/** What is on a craft, what was seen there, and what it will do. */
export interface FitState extends Arrangement {
  row: FittingRow | null;
  /** When each piece came on, by piece. */
  fitted: ReadonlyMap<string, NewestEvent>;
  forces: FittedForces & TakeOffForces;
  arms: ArmView[];
}

/** Forces of so many props on craft are kept. */
const KNOWN_MOST = 500;

/** The arrangement of craft, for whoever asks: Fit, the line, and whether a craft may fly. */
@Injectable()
export class FitStates extends ArrangementSource {
  private readonly known = new Map<string, FittedForces>();

  constructor(
    @Inject(DB) private readonly db: Db,
    private readonly fittings: FittingRepository,
    private readonly pieces: PieceRepository,
    private readonly models: PropModelRepository,
    private readonly events: EventRepository,
    private readonly facts: FitFactsRepository,
    private readonly bench: CraftRotors,
  ) {
    super();
  }

  override async of(crafts: readonly CraftRow[]): Promise<Map<string, FitState>> {
    const ids = crafts.map((c) => c.id);
    const rows = await this.fittings.ofCrafts(this.db, ids);
    const pieces = await this.pieces.onCrafts(this.db, ids, LIST_MAX);
    const fitted = await this.events.newestOf(
      this.db,
      pieces.map((p) => p.piece.id),
      'pieceFitted',
    );
    const known = await this.models.byIds(this.db, [
      ...new Set([...pieces.map((p) => p.piece.propModelId), ...crafts.flatMap((c) => c.referencePropModelId ?? [])]),
    ]);
    const signatures = await this.facts.signatures(this.db, ids);
    const changes = await this.facts.armChanges(this.db, ids);
    return new Map(
      crafts.map((craft) => {
        const on = pieces.filter((p) => p.life.craftId === craft.id);
        const seen = this.stateOf(craft, rows.find((r) => r.craftId === craft.id) ?? null, on, fitted, known);
        return [
          craft.id,
          {
            ...seen,
            signedSequence: signatures.get(craft.id) ?? 0,
            changed: lastChanges(changes.get(craft.id)!, on, fitted),
          },
        ];
      }),
    );
  }

  /** Forces of a prop on a craft; they follow from both as they are described, so each change works them out anew. */
  private forcesOf(craft: CraftRow, model: PropModelRow | null): FittedForces {
    const key = `${craft.id} ${craft.revision} ${model?.id ?? ''} ${model?.revision ?? ''}`;
    let forces = this.known.get(key);
    if (!forces) {
      forces = fittedForces(this.bench.of(craft), model ? modelGeometry(model) : null);
      if (this.known.size >= KNOWN_MOST) this.known.clear();
      this.known.set(key, forces);
    }
    return forces;
  }

  private stateOf(
    craft: CraftRow,
    row: FittingRow | null,
    on: LivingPiece[],
    fitted: FitState['fitted'],
    known: readonly PropModelRow[],
  ): Omit<FitState, 'changed' | 'signedSequence'> {
    const models = modelsOf(craft, on, known);
    const [model] = models;
    const forces = { ...this.forcesOf(craft, model ?? null), hasTailServo: craft.layout === 'tri' };
    const arms = toArmViews(craft, row, on, fitted, forces.carry.thrustN);
    return { row, on, fitted, models, forces, arms, takeOff: takeOff(arms, layoutKind(craft.layout), forces) };
  }
}

/** The last change of each arm; a piece that came on is one, whatever else is written down. */
function lastChanges(
  changes: ReadonlyMap<string, number>,
  on: readonly LivingPiece[],
  fitted: FitState['fitted'],
): Map<string, number> {
  const last = new Map(changes);
  for (const { piece, life } of on) {
    if (life.place === null) continue;
    const key = armKey({ place: life.place, level: life.level });
    last.set(key, Math.max(last.get(key) ?? 0, fitted.get(piece.id)?.sequence ?? 0));
  }
  return last;
}

function modelsOf(craft: CraftRow, on: readonly LivingPiece[], known: readonly PropModelRow[]): PropModelRow[] {
  const counts = new Map<string, number>();
  for (const { piece } of on) counts.set(piece.propModelId, (counts.get(piece.propModelId) ?? 0) + 1);
  const ids = [...counts].sort((a, b) => b[1] - a[1]).map(([id]) => id);
  if (ids.length === 0 && craft.referencePropModelId !== null) ids.push(craft.referencePropModelId);
  return ids.flatMap((id) => known.find((m) => m.id === id) ?? []);
}
