import 'swagger-ui-dist/swagger-ui.css';
import SwaggerUI from 'swagger-ui-dist/swagger-ui-es-bundle.js';

SwaggerUI({ url: '/api/v1/openapi.json', dom_id: '#docs', validatorUrl: null });
