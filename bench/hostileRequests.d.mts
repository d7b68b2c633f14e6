export interface ApiDocument {
  paths: Record<string, object>;
  components: { schemas: object };
}

export interface Route {
  path: string;
  method: string;
  inQuery: string[];
  schema: object | null;
}

export function routesOf(document: ApiDocument): Route[];

export function heavyBodies(document: ApiDocument, route: Pick<Route, 'schema'>, bytes: number): Record<string, string>;
