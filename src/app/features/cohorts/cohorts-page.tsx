import { chakra, Flex } from '@chakra-ui/react'
import { type SubmissionResult, useForm } from '@conform-to/react'
import { parseWithZod } from '@conform-to/zod/v4'
import { Form, Link } from 'react-router'
import { cohortForm } from '~/contracts/forms/cohorts'
import { isFoundBy } from '~/core/people/shown-name'
import { RemoveButton, RemovedFold } from '../../removals/remove-button'
import { Button } from '../../ui/button'
import { Field, Input } from '../../ui/fields'
import { FilteredRows } from '../../ui/filtered-rows'
import { Empty, PageHead, Row, Section } from '../../ui/layout'

interface CohortsPageProps {
  cohorts: { id: string; name: string; people: number }[]
  lastResult?: SubmissionResult
}

export function CohortsPage({ cohorts, lastResult }: CohortsPageProps) {
  const [form, fields] = useForm({
    lastResult,
    shouldRevalidate: 'onInput',
    onValidate: ({ formData }) => parseWithZod(formData, { schema: cohortForm }),
  })
  return (
    <>
      <PageHead title="Cohorts" under="A cohort is a class list that you keep over weeks." />
      {cohorts.length === 0 ? (
        <Empty>Nobody is here yet. Make your first cohort below, then add its people or import a list.</Empty>
      ) : (
        <FilteredRows label="Cohorts" items={cohorts} words={({ name }) => [name]} isFoundBy={isFoundBy}>
          {cohort => (
            <Row key={cohort.id}>
              <Link to={`/cohorts/${cohort.id}`}>{cohort.name}</Link>
              <chakra.span color="quiet">
                {cohort.people === 1 ? '1 person' : `${cohort.people} people`}
              </chakra.span>
              <RemoveButton kind="cohort" id={cohort.id} name={cohort.name} />
            </Row>
          )}
        </FilteredRows>
      )}
      <RemovedFold kind="cohort" listed={cohorts.length} />
      <chakra.div mt="28px">
        <Section title="Make a cohort">
          <Form method="post" id={form.id} onSubmit={form.onSubmit} noValidate>
            <Flex gap="10px" align="flex-end" maxW="520px" wrap="wrap">
              <chakra.div flex="1" minW="220px">
                <Field label="Name" errors={fields.name.errors}>
                  {parts => (
                    <Input
                      {...parts}
                      name="name"
                      autoComplete="off"
                      defaultValue={fields.name.initialValue}
                    />
                  )}
                </Field>
              </chakra.div>
              <Button type="submit" kind="main">
                Make the cohort
              </Button>
            </Flex>
          </Form>
        </Section>
      </chakra.div>
    </>
  )
}
