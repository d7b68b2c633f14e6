import type { CraftView } from '@zivvo/contract';
import { drillKinds, gainPreconditions, makeDrill, seededRandom, type SeededRandom } from '@zivvo/core';
import type { Diary } from './diary.ts';
import { lookOver } from './lookOver.ts';
import { SEED, type Shed } from './shed.ts';
import {
  at,
  demoFlying,
  demoSymptom,
  demoTickets,
  gainStory,
  rootAlert,
  struckMotor,
  type DemoFlying,
} from './tarnholm.ts';

const MINUTE_MS = 60_000;
const DRILLS = 24;
/** Flights begin when it is light; the pack is changed and the craft looked over between two. */
const FIRST_HOUR = 9.5;
const PAUSE_MINUTES = 12;
const LOOK_MINUTES = 3;

/** Three months of looks and flights, strikes, an alert, tickets, a fault and drills. */
export function playCare(diary: Diary, shed: Shed): void {
  for (const flying of demoFlying) playSeason(diary, shed, flying);
  diary.plan(at(struckMotor.daysAgo, 17), () => feelMotor(shed));
  diary.plan(at(rootAlert.daysAgo, 17), () =>
    shed.alerts.raise({
      id: shed.id('alert'),
      propModelId: shed.modelId(rootAlert.modelKey),
      batchId: null,
      reason: rootAlert.reason,
    }),
  );
  diary.plan(at(gainStory.daysAgo, 15), () => playGains(shed));
  playTickets(diary, shed);
  playSymptom(diary, shed);
  // Both people practise; one of them has flown longer.
  for (let i = 0; i < DRILLS; i++) diary.plan(at(DRILLS - i, 19), () => practise(shed, i), shed.personIds()[i % 2]);
}

function playSeason(diary: Diary, shed: Shed, flying: DemoFlying): void {
  const season = new Season(diary, shed, flying);
  for (let i = 0; i < flying.sessionCount; i++) {
    const daysAgo =
      flying.fromDaysAgo - ((flying.fromDaysAgo - flying.toDaysAgo) * i) / Math.max(1, flying.sessionCount - 1);
    season.planSession(i, at(daysAgo, FIRST_HOUR));
  }
  for (const { daysAgo, minutes, note } of flying.tests) {
    diary.plan(at(daysAgo, 14), () => season.look(12, null));
    diary.plan(at(daysAgo, 14) + (LOOK_MINUTES + minutes) * MINUTE_MS, () => season.fly(60 * minutes, note, null));
  }
  if (flying.isLookedThisMorning) diary.plan(at(0, 7.6), () => season.look(11, null));
}

/** One craft over the months. */
class Season {
  private readonly random: SeededRandom;
  private flightCount = 0;
  private lookCount = 0;

  constructor(
    private readonly diary: Diary,
    private readonly shed: Shed,
    private readonly flying: DemoFlying,
  ) {
    this.random = seededRandom(`${SEED}/care/${flying.craft}`);
  }

  /** One drive to the site: a look and a flight for each pack, one after the other. */
  planSession(session: number, fromMs: number): void {
    this.diary.plan(fromMs, () =>
      Promise.resolve(this.planFlight(session, 0, fromMs + 30 * this.random.next() * MINUTE_MS)),
    );
  }

  private planFlight(session: number, k: number, lookMs: number): void {
    const { flightCount, hurriedSession, scrapedSession, strikes } = this.flying;
    this.diary.plan(lookMs, async () => {
      const secondsAProp = session === hurriedSession ? 3 : 8 + 7 * this.random.next();
      const craft = await this.look(secondsAProp, session === scrapedSession && k === 0 ? 'last' : null);
      const durationS = Math.round((0.7 + 0.18 * this.random.next()) * (await this.enduranceS(craft)));
      const landedMs = lookMs + LOOK_MINUTES * MINUTE_MS + 1000 * durationS;
      const isLast = k === flightCount - 1;
      // A flight is written down when it has landed.
      this.diary.plan(landedMs, () =>
        this.fly(durationS, null, (isLast && strikes.find((s) => s.session === session)) || null),
      );
      if (!isLast)
        this.planFlight(session, k + 1, landedMs + (0.8 + 0.4 * this.random.next()) * PAUSE_MINUTES * MINUTE_MS);
    });
  }

  /** A look over every arm; a scrape is seen on the last one where one is to be found. */
  async look(secondsAProp: number, scraped: 'last' | null): Promise<CraftView> {
    const craft = await this.shed.craft(this.flying.craft);
    const id = this.shed.id(`look ${craft.name} ${this.lookCount++}`);
    await lookOver(this.shed, craft, id, secondsAProp, scraped === 'last');
    return craft;
  }

  async fly(durationS: number, note: string | null, strike: DemoFlying['strikes'][number] | null): Promise<void> {
    const { craft } = this.flying;
    const packIds = this.shed.packIdsOf(craft);
    const packPieceId = packIds[this.flightCount % packIds.length]!;
    this.shed.charged(packPieceId);
    const strikes = strike
      ? [
          {
            id: this.shed.id(`strike ${craft} ${strike.session}`),
            thing: strike.thing,
            throttleRatio: strike.throttleRatio,
            isCrash: false,
            arms: [{ place: strike.place, level: 0 }],
            note: strike.note,
          },
        ]
      : [];
    await this.shed.flights.add(this.shed.id(craft), {
      id: this.shed.id(`flight ${craft} ${this.flightCount++}`),
      durationS,
      packPieceId,
      strikes,
      note,
    });
  }

  private async enduranceS(craft: CraftView): Promise<number> {
    const [piece] = await this.shed.pieces.onCraft(craft.id);
    return this.shed.enduranceS(craft, piece!.propModelId);
  }
}

/** After a strike somebody feels the motor. */
async function feelMotor(shed: Shed): Promise<void> {
  const {
    id,
    createdAt: _created,
    updatedAt: _updated,
    ...motor
  } = (await shed.parts.listMotors()).items.find((m) => m.tag === struckMotor.tag)!;
  await shed.parts.changeMotor(id, {
    ...motor,
    bearing: struckMotor.bearing,
    shaftRunOutM: struckMotor.runOutMm / 1000,
  });
}

/** New props flown to the gains that suit them: percent by percent, until nothing flutters. */
async function playGains(shed: Shed): Promise<void> {
  const craft = await shed.craft(gainStory.craft);
  const percents = { pitchPercent: 100, rollPercent: 100, yawPercent: 100, verticalPercent: 100 };
  let sheet = await shed.gains.open({
    id: shed.id('gains'),
    craftId: craft.id,
    oldPropModelId: shed.modelId(gainStory.oldKey),
    newPropModelId: shed.modelId(gainStory.newKey),
    payloadKg: 0,
    hasGuards: false,
    packSeriesCount: craft.packSeriesCount,
    ...percents,
  });
  sheet = await shed.gains.change(sheet.id, {
    checks: [...gainPreconditions],
    testFlights: [],
    note: null,
    revision: sheet.revision,
  });
  for (let percent = gainStory.fromPercent; percent >= gainStory.toPercent; percent--) {
    const doesFlutter = percent > gainStory.toPercent;
    const testFlights = [
      ...sheet.testFlights,
      { axis: 'roll' as const, percent, doesFlutter, doesReturn: doesFlutter ? null : true },
    ];
    sheet = await shed.gains.change(sheet.id, {
      checks: sheet.checks,
      testFlights,
      note: null,
      revision: sheet.revision,
    });
  }
}

function playTickets(diary: Diary, shed: Shed): void {
  for (const [i, { craft, owner, complaint, found, done, parts, minutes, daysAgo }] of demoTickets.entries()) {
    const id = shed.id(`ticket ${i}`);
    const open = { ownerName: owner, complaint, found: null, done: null, parts: null, minutes: null, isClosed: false };
    diary.plan(at(daysAgo, 16), () => shed.tickets.open({ id, craftId: shed.id(craft), ...open }));
    if (found !== null)
      diary.plan(at(daysAgo - 2, 16), () =>
        shed.tickets.change(id, { ...open, found, done, parts, minutes, isClosed: true, revision: 1 }),
      );
  }
}

function playSymptom(diary: Diary, shed: Shed): void {
  const { craft, cause, symptoms, changes, answers, daysAgo } = demoSymptom;
  const told = { symptoms: [...symptoms], changes: [...changes], answers: [...answers] };
  const id = shed.id('case');
  diary.plan(at(daysAgo, 15), () =>
    shed.symptoms.save(shed.id(craft), id, { ...told, mendedCause: null, revision: 0 }),
  );
  diary.plan(at(daysAgo, 15) + 40 * MINUTE_MS, () =>
    shed.symptoms.save(shed.id(craft), id, { ...told, mendedCause: cause, revision: 1 }),
  );
}

async function practise(shed: Shed, i: number): Promise<void> {
  const kind = drillKinds[i % drillKinds.length]!;
  const drill = makeDrill(kind, `demo-${i}`);
  const skill = i % 2 === 0 ? 0.85 : 0.6;
  const isRight = seededRandom(`${SEED}/drill/${i}`).next() < skill;
  await shed.practice.answer({
    id: shed.id(`drill ${i}`),
    kind,
    seed: drill.seed,
    chosen: isRight ? drill.right : (drill.right + 1) % drill.options.length,
  });
}
