/** An id that nobody else has. From `uuid`, since a page reached by plain http has no `crypto.randomUUID`. */
export { v4 as newId } from 'uuid';
