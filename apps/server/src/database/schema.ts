export * from '../workshop/workshop.table.ts';
export * from '../workshop/air.table.ts';
export * from '../workshop/pieces.table.ts';
export * from '../propModel/propModel.table.ts';
export * from '../craft/craft.table.ts';
export * from '../blob/blob.table.ts';
export * from '../stand/stand.table.ts';
export * from '../event/event.table.ts';
