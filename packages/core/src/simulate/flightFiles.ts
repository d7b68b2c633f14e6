import type { SimulatedFlight } from './simulatedFlight.ts';

/** A made-up flight as a table: fixes with the battery and the motors beside them. */
export function flightCsv({ track, battery, speeds }: SimulatedFlight): string {
  const motors = speeds.rpm.map((_, r) => `Motor ${r + 1} rpm`);
  const rows = [['Time s', 'Latitude', 'Longitude', 'Height m', 'Voltage V', 'Current A', ...motors].join(',')];
  for (let i = 0; i < track.timeS.length; i++) {
    const t = track.timeS[i]!;
    const at = (times: Float64Array): number => Math.min(times.length - 1, Math.round(t / (times[1]! - times[0]!)));
    const [b, s] = [at(battery.timeS), at(speeds.timeS)];
    rows.push(
      [
        t.toFixed(2),
        track.latitudeDegrees[i]!.toFixed(7),
        track.longitudeDegrees[i]!.toFixed(7),
        track.heightM[i]!.toFixed(2),
        battery.voltageV[b]!.toFixed(2),
        battery.currentA[b]!.toFixed(2),
        ...speeds.rpm.map((rpm) => rpm[s]!.toFixed(0)),
      ].join(','),
    );
  }
  return `${rows.join('\n')}\n`;
}

/** A made-up flight as a track of a receiver; without times where a receiver wrote none. */
export function flightGpx({ track }: SimulatedFlight, startMs: number, hasTimes = true): string {
  const points: string[] = [];
  for (let i = 0; i < track.timeS.length; i++) {
    const time = hasTimes ? `<time>${new Date(startMs + 1000 * track.timeS[i]!).toISOString()}</time>` : '';
    points.push(
      `<trkpt lat="${track.latitudeDegrees[i]!.toFixed(7)}" lon="${track.longitudeDegrees[i]!.toFixed(7)}">` +
        `<ele>${track.heightM[i]!.toFixed(2)}</ele>${time}</trkpt>`,
    );
  }
  return (
    '<?xml version="1.0" encoding="UTF-8"?>\n<gpx version="1.1" creator="Zivvo" ' +
    'xmlns="http://www.topografix.com/GPX/1/1">' +
    `<trk><trkseg>\n${points.join('\n')}\n</trkseg></trk></gpx>\n`
  );
}

const MAGIC = [0x55, 0x4c, 0x6f, 0x67, 0x01, 0x12, 0x35];
const FORMATS = {
  fixes: 'vehicle_gps_position:uint64_t timestamp;double latitude_deg;double longitude_deg;double altitude_msl_m;',
  battery: 'battery_status:uint64_t timestamp;float voltage_v;float current_a;',
  motors: (count: number) => `esc_status:uint64_t timestamp;float[${count}] rpm;`,
  shake: 'sensor_combined:uint64_t timestamp;float[3] accelerometer_m_s2;',
} as const;

/** A made-up flight as a ULog, version 1: fixes, battery, motors and acceleration, each at its own rate. */
export function flightUlog({ track, battery, speeds, acceleration }: SimulatedFlight): Uint8Array<ArrayBuffer> {
  const out = new ByteWriter();
  out.bytes(MAGIC);
  out.u8(1);
  out.u64(0);
  out.message('B', (w) => w.bytes(new Array<number>(40).fill(0)));
  const motorCount = speeds.rpm.length;
  const formats = [FORMATS.fixes, FORMATS.battery, FORMATS.motors(motorCount), FORMATS.shake];
  for (const format of formats) out.message('F', (w) => w.text(format));
  formats.forEach((format, id) =>
    out.message('A', (w) => {
      w.u8(0);
      w.u16(id);
      w.text(format.slice(0, format.indexOf(':')));
    }),
  );
  const all: { timeS: number; id: number; write: (w: ByteWriter) => void }[] = [];
  for (let i = 0; i < track.timeS.length; i++)
    all.push({
      timeS: track.timeS[i]!,
      id: 0,
      write: (w) => [track.latitudeDegrees, track.longitudeDegrees, track.heightM].forEach((c) => w.f64(c[i]!)),
    });
  for (let i = 0; i < battery.timeS.length; i++)
    all.push({
      timeS: battery.timeS[i]!,
      id: 1,
      write: (w) => [battery.voltageV, battery.currentA].forEach((c) => w.f32(c[i]!)),
    });
  for (let i = 0; i < speeds.timeS.length; i++)
    all.push({ timeS: speeds.timeS[i]!, id: 2, write: (w) => speeds.rpm.forEach((rpm) => w.f32(rpm[i]!)) });
  if (acceleration)
    for (let i = 0; i < acceleration.x.length; i++)
      all.push({
        timeS: i / acceleration.rateHz,
        id: 3,
        write: (w) => [acceleration.x, acceleration.y, acceleration.z].forEach((c) => w.f32(c[i]!)),
      });
  all.sort((a, b) => a.timeS - b.timeS);
  for (const { timeS, id, write } of all)
    out.message('D', (w) => {
      w.u16(id);
      w.u64(Math.round(timeS * 1e6));
      write(w);
    });
  return out.done();
}

/** Bytes in the order of small machines, least first. */
class ByteWriter {
  private buffer = new Uint8Array(1 << 16);
  private view = new DataView(this.buffer.buffer);
  private length = 0;

  private room(count: number): number {
    if (this.length + count > this.buffer.length) {
      const larger = new Uint8Array(Math.max(2 * this.buffer.length, this.length + count));
      larger.set(this.buffer);
      this.buffer = larger;
      this.view = new DataView(larger.buffer);
    }
    this.length += count;
    return this.length - count;
  }

  /** One message: its size, its letter, and what it holds. */
  message(letter: string, write: (w: ByteWriter) => void): void {
    const head = this.room(3);
    write(this);
    this.view.setUint16(head, this.length - head - 3, true);
    this.view.setUint8(head + 2, letter.charCodeAt(0));
  }

  bytes(values: readonly number[]): void {
    this.buffer.set(values, this.room(values.length));
  }
  text(value: string): void {
    this.bytes([...value].map((c) => c.charCodeAt(0)));
  }
  u8(value: number): void {
    const at = this.room(1);
    this.view.setUint8(at, value);
  }
  u16(value: number): void {
    const at = this.room(2);
    this.view.setUint16(at, value, true);
  }
  u64(value: number): void {
    const at = this.room(8);
    this.view.setBigUint64(at, BigInt(value), true);
  }
  f32(value: number): void {
    const at = this.room(4);
    this.view.setFloat32(at, value, true);
  }
  f64(value: number): void {
    const at = this.room(8);
    this.view.setFloat64(at, value, true);
  }

  done(): Uint8Array<ArrayBuffer> {
    return this.buffer.slice(0, this.length);
  }
}
