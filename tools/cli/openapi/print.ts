/** Prints the document of the HTTP interface as contracts stand. */
import { openApiText } from './document';

process.stdout.write(openApiText());
