/** Large documents, read in a thread of their own. */
import { readDocument } from './read-documents';

export default readDocument;
