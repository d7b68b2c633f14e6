import { Module } from '@nestjs/common';
import { RackModule } from '../rack/rack.module.ts';
import { StandModule } from '../stand/stand.module.ts';
import { PickStop } from './pick.stop.ts';

/** Pick itself is worked out in the browser; here is only how its work stands. */
@Module({ imports: [RackModule, StandModule], providers: [PickStop] })
export class PickModule {}
