declare module 'swagger-ui-dist/swagger-ui-es-bundle.js' {
  const SwaggerUI: (options: { url: string; dom_id: string; deepLinking: boolean; validatorUrl: null }) => unknown
  export default SwaggerUI
}
