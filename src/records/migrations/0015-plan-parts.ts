import type { Knex } from 'knex'

/** A plan by parts that are planned together, and what it proposes task by task: a page reads what it shows. */
export async function up(trx: Knex, appRole: string): Promise<void> {
  await trx.raw(`
    alter table plan add column part uuid;
    update plan set part = firm_id;
    alter table plan alter column part set not null, drop constraint plan_pkey, add primary key (firm_id, part);

    create table proposed_task (
      firm_id uuid not null references firm (id),
      subject_id uuid not null,
      key text not null,
      part uuid not null,
      site_id uuid not null,
      on_day date not null,
      technician_id uuid not null,
      primary key (firm_id, subject_id, key),
      foreign key (firm_id, part) references plan (firm_id, part) on delete cascade,
      foreign key (firm_id, site_id) references site (firm_id, id) on delete cascade,
      foreign key (firm_id, technician_id) references technician (firm_id, id) on delete cascade
    );
    create index proposed_task_day on proposed_task (firm_id, on_day, technician_id);
    create index proposed_task_site on proposed_task (firm_id, site_id);
    create index proposed_task_part on proposed_task (firm_id, part);

    insert into proposed_task (firm_id, subject_id, key, part, site_id, on_day, technician_id)
      select p.firm_id, (t->>0)::uuid, t->>1, p.part, s.id, (v->>'on')::date, k.id
        from plan p, json_array_elements(p.body->'visits') v, json_array_elements(v->'tasks') t, site s, technician k
        where s.firm_id = p.firm_id and s.id = (v->>'siteId')::uuid
          and k.firm_id = p.firm_id and k.id = (v->>'technicianId')::uuid
      on conflict do nothing;
    update plan set body = (body::jsonb - 'visits')::json;

    alter table proposed_task enable row level security;
    create policy one_firm on proposed_task
      using (firm_id = (select nullif(current_setting('evenshot.firm', true), '')::uuid))
      with check (firm_id = (select nullif(current_setting('evenshot.firm', true), '')::uuid));
  `)
  await trx.raw('grant select, insert, update, delete on proposed_task to ??', [appRole])
}
