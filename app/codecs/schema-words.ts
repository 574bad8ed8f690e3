import * as z from 'zod/mini'
import en from 'zod/v4/locales/en.js'

// What is wrong with a value is said in English; without this a schema only knows that it is wrong.
z.config(en())
