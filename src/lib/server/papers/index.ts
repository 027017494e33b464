export * from './customerPdf';
export * from './recordPdf';
