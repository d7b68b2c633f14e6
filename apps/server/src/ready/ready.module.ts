import { Global, Module } from '@nestjs/common';
import { CraftModule } from '../craft/craft.module.ts';
import { ReadyService } from './ready.service.ts';

/**
 * Whether craft may fly: stations, the line and their lists all ask here. What it rests on, the features answer for.
 */
@Global()
@Module({ imports: [CraftModule], providers: [ReadyService], exports: [ReadyService] })
export class ReadyModule {}
