import { openApiDocument } from '@jeitinho/core';
import { Hono } from 'hono';
import { VERSION } from '../version';
import { apiPage } from '../api-page';

/** The API told to programs and to people. */
export const openApiRoutes = () => {
  const document = openApiDocument(VERSION);
  return new Hono()
    .get('/openapi.json', (c) => c.json(document))
    .get('/', (c) => c.html(apiPage(document)));
};
