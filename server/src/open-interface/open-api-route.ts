import type { Handlers } from '../platform/http/handlers';
import document from '../../../docs/openapi.json';

/** The document of this interface (OpenAPI 3.1): the same for everybody. */
export function openApiRoute(): Handlers<'getOpenApi'> {
  return {
    getOpenApi: (_request, response) => {
      response.json(document);
    },
  };
}
