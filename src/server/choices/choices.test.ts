import { memoryDatabase } from 'tests/fixtures/database'
