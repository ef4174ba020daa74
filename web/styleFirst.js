/** The style before fonts and scripts: nothing is drawn until it is there, and a browser fetches six files at a time. */
export const styleFirst = () => ({
  name: 'style-first',
  transformIndexHtml: {
    order: 'post',
    handler: (html) => {
      const styles = [...html.matchAll(/\n *<link rel="stylesheet"[^>]*>/g)].map(([tag]) => tag)
      const rest = styles.reduce((page, tag) => page.replace(tag, ''), html)
      return rest.replace(/(<title>.*<\/title>)/, `$1${styles.join('')}`)
    },
  },
})
