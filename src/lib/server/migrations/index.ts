import * as first from './0001-first.ts';
import * as vantageFields from './0002-vantage-fields.ts';
import * as kept from './0003-kept.ts';
import * as givenPath from './0004-given-path.ts';
import * as unnamed from './0005-unnamed.ts';
import * as errandRequest from './0006-errand-request.ts';
import * as minified from './0007-minified.ts';

/** All migrations in their order. Released ones are never changed. */
export const migrations = [first, vantageFields, kept, givenPath, unnamed, errandRequest, minified];

/** Those that only change rows, and are idempotent: rows from another database need them again. */
export const ofRows = [vantageFields, errandRequest];
