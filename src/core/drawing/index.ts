export * from './weekDrawing';
