export { formatPdf, type PdfDocument, type PdfFont } from './write'
