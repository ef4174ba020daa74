/** The HTTP interface, described by the server itself; every script and style of this page comes from it too. */
import 'swagger-ui-dist/swagger-ui.css'
import SwaggerUI from 'swagger-ui-dist/swagger-ui-es-bundle.js'

SwaggerUI({ url: '/openapi.json', dom_id: '#docs', deepLinking: true, validatorUrl: null })
