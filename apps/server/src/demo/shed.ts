import type { INestApplicationContext, Type } from '@nestjs/common';
import type { CraftView, PropModelView } from '@zivvo/contract';
import { evaluateCandidate, hashText, modelGeometry, seededRandom, type PickFigures } from '@zivvo/core';
import { RigService } from '../balance/rig.service.ts';
import { BalanceJobService } from '../balance/balanceJob.service.ts';
import { AlertService } from '../care/alert.service.ts';
import { CareService } from '../care/care.service.ts';
import { FlightService } from '../care/flight.service.ts';
import { WalkService } from '../care/walk.service.ts';
import { GainService } from '../care/gain.service.ts';
import { PracticeService } from '../care/practice.service.ts';
import { SymptomService } from '../care/symptom.service.ts';
import { TicketService } from '../care/ticket.service.ts';
import { CraftService } from '../craft/craft.service.ts';
import { CraftRotors } from '../craft/craftRotors.ts';
import { FitMoves } from '../fit/fitMoves.service.ts';
import { FitService } from '../fit/fit.service.ts';
import { StandRecords } from '../live/standRecords.ts';
import { BatchService } from '../rack/batch.service.ts';
import { PieceService } from '../rack/piece.service.ts';
import { SetService } from '../rack/set.service.ts';
import { PropModelService } from '../rack/propModel.service.ts';
import { CampaignService } from '../stand/campaign.service.ts';
import { InstrumentService } from '../stand/instrument.service.ts';
import { RunService } from '../stand/run.service.ts';
import { FlyService } from '../fly/fly.service.ts';
import { ListenService } from '../listen/listen.service.ts';
import { BlobService } from '../blob/blob.service.ts';
import { PartService } from '../rack/part.service.ts';
import { WorkshopService } from '../workshop/workshop.service.ts';
import { demoPacks, demoPeople, demoPropModels } from './tarnholm.ts';

/** Names every draw of the demo. */
export const SEED = 'tarnholm-1';

/** The shed as whoever works in it sees it: what can be done, and what things are called. */
export class Shed {
  readonly workshop = this.get(WorkshopService);
  readonly parts = this.get(PartService);
  readonly models = this.get(PropModelService);
  readonly crafts = this.get(CraftService);
  readonly batches = this.get(BatchService);
  readonly pieces = this.get(PieceService);
  readonly sets = this.get(SetService);
  readonly rigs = this.get(RigService);
  readonly balanceJobs = this.get(BalanceJobService);
  readonly fit = this.get(FitService);
  readonly moves = this.get(FitMoves);
  readonly care = this.get(CareService);
  readonly walks = this.get(WalkService);
  readonly flights = this.get(FlightService);
  readonly alerts = this.get(AlertService);
  readonly gains = this.get(GainService);
  readonly fly = this.get(FlyService);
  readonly listen = this.get(ListenService);
  readonly blobs = this.get(BlobService);
  readonly tickets = this.get(TicketService);
  readonly symptoms = this.get(SymptomService);
  readonly practice = this.get(PracticeService);
  readonly instruments = this.get(InstrumentService);
  readonly campaigns = this.get(CampaignService);
  readonly runs = this.get(RunService);
  readonly standRecords = this.get(StandRecords);
  /** Charges of each pack so far, as its user counts them. */
  readonly charges = new Map<string, number>();
  private readonly bench = this.get(CraftRotors);
  private readonly endurances = new Map<string, Promise<number>>();

  constructor(private readonly app: INestApplicationContext) {}

  /** The identifier of a thing of the shed: of the form of UUIDv7, and from its name alone. */
  id(name: string): string {
    const random = seededRandom(`${SEED}/id/${name}`);
    const hex = (count: number): string =>
      Array.from({ length: count }, () => Math.floor(random.next() * 16).toString(16)).join('');
    const moment = (0x0192_0000_0000 + hashText(name)).toString(16).padStart(12, '0');
    return `${moment.slice(0, 8)}-${moment.slice(8, 12)}-7${hex(3)}-8${hex(3)}-${hex(12)}`;
  }

  personIds(): string[] {
    return demoPeople.map((name) => this.id(name));
  }

  modelId(key: string): string {
    const { label, maker } = demoPropModels.find((p) => p.key === key)!;
    return this.id(label + maker);
  }

  craft(name: string): Promise<CraftView> {
    return this.crafts.find(this.id(name));
  }

  model(key: string): Promise<PropModelView> {
    return this.models.find(this.modelId(key));
  }

  packIdsOf(craftName: string): string[] {
    return demoPacks.filter((p) => p.craft === craftName).flatMap((p) => p.tags.map((tag) => this.id(tag)));
  }

  charged(packId: string): void {
    this.charges.set(packId, (this.charges.get(packId) ?? 0) + 1);
  }

  /** What a craft's figures are with a prop, by its label. */
  async figuresOf(craft: CraftView, modelKey: string): Promise<PickFigures> {
    return evaluateCandidate(this.bench.of(craft), modelGeometry(await this.model(modelKey))).figures;
  }

  /** Speed at which a prop carries a craft, by its label [rev/min]. */
  async hoverRpm(craft: CraftView, propModelId: string): Promise<number> {
    return this.bench.hoverSpeedRpm(craft, modelGeometry(await this.models.find(propModelId)));
  }

  /** How long a craft stays up with a prop [s]. */
  enduranceS(craft: CraftView, propModelId: string): Promise<number> {
    const key = `${craft.id}/${propModelId}`;
    const known =
      this.endurances.get(key) ??
      this.models
        .find(propModelId)
        .then((model) => evaluateCandidate(this.bench.of(craft), modelGeometry(model)).figures.enduranceS);
    this.endurances.set(key, known);
    return known;
  }

  private get<T>(service: Type<T>): T {
    return this.app.get(service, { strict: false });
  }
}
