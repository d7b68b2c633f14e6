import type { INestApplication } from '@nestjs/common';
import { DocumentBuilder, SwaggerModule, type OpenAPIObject } from '@nestjs/swagger';
import { defaultMetadataStorage } from 'class-transformer/cjs/storage.js';
import { validationMetadatasToSchemas } from 'class-validator-jsonschema';
import { VERSION } from '../version.ts';

/** Serves the API's description at `/api/docs`; it is made when somebody first asks for it. */
export function serveApiDocument(app: INestApplication): void {
  SwaggerModule.setup('api/docs', app, () => apiDocument(app));
}

/** The API's description, its bodies taken from the very rules that check them. */
function apiDocument(app: INestApplication): OpenAPIObject {
  const config = new DocumentBuilder()
    .setTitle('Zivvo')
    .setDescription(
      'Propeller workbench. All values are SI; every failure is one problem body {status, code, title, detail, ' +
        'fields}.',
    )
    .setVersion(VERSION)
    .build();
  const document = SwaggerModule.createDocument(app, config);
  const schemas = validationMetadatasToSchemas({
    classTransformerMetadataStorage: defaultMetadataStorage as never,
    refPointerPrefix: '#/components/schemas/',
  });
  const components = { ...document.components?.schemas, ...(schemas as object) };
  return { ...document, components: { ...document.components, schemas: components } };
}
