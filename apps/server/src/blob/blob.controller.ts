import { Controller, Get, Param, Post, Query, Req, Res } from '@nestjs/common';
import type { BlobView } from '@zivvo/contract';
import type { Request, Response } from 'express';
import { createReadStream } from 'node:fs';
import { pipeline } from 'node:stream/promises';
import { BlobService } from './blob.service.ts';

@Controller('blobs')
export class BlobController {
  constructor(private readonly blobs: BlobService) {}

  /** Takes the raw bytes of a picture or a text as `application/octet-stream`. */
  @Post()
  store(@Req() request: Request, @Query('name') name?: string): Promise<BlobView> {
    return this.blobs.store(request.body as Buffer, String(name ?? 'file').slice(0, 120));
  }

  @Get(':sha256')
  async read(@Param('sha256') sha256: string, @Res() response: Response): Promise<void> {
    const { file, mediaType } = await this.blobs.open(sha256);
    response.setHeader('Content-Type', mediaType.startsWith('text/') ? `${mediaType}; charset=utf-8` : mediaType);
    response.setHeader('Content-Disposition', 'inline');
    response.setHeader('Cache-Control', 'private, max-age=31536000, immutable');
    await pipeline(createReadStream(file), response);
  }
}
