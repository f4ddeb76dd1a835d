import { Router } from 'express';
import document from '../../../docs/openapi.json';

/** The document of this interface (OpenAPI 3.1): the same for everybody. */
export function openApiRoute(): Router {
  const router = Router();
  router.get('/api/openapi.json', (_request, response) => {
    response.json(document);
  });
  return router;
}
