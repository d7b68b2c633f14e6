import { Controller, Get, Inject } from '@nestjs/common';
import type { ImportRecipeView, ListView } from '@zivvo/contract';
import { DB, type Db } from '../database/database.ts';
import { ImportRecipeRepository } from './importRecipe.repository.ts';

@Controller('import-recipes')
export class ImportRecipeController {
  constructor(
    @Inject(DB) private readonly db: Db,
    private readonly recipes: ImportRecipeRepository,
  ) {}

  @Get()
  list(): Promise<ListView<ImportRecipeView>> {
    return this.recipes.list(this.db);
  }
}
