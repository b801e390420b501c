import * as z from 'zod'

// In a browser the policy of the page refuses code that is made of text: without this every schema would try, and the refusal would stand
// in the console. It comes before all schemas, which ask for it when they are made.
if (!('process' in globalThis)) z.config({ jitless: true })
