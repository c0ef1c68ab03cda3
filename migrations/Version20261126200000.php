<?php

declare(strict_types=1);

namespace NimbleKnuckle\Migrations;

use Doctrine\DBAL\Schema\Schema;
use Doctrine\Migrations\AbstractMigration;

/**
 * What is looked for is kept beside what it is read from, by the database itself: whoever writes a fit, a job or a vehicle need not
 * think of it. Three letters anywhere in a word find it (FTS5, trigram).
 */
final class Version20261126200000 extends AbstractMigration
{
    /** One of a kind on one vehicle is enough to find them all. */
    private const WORK = "INSERT OR IGNORE INTO find_word (kind, ref, label, detail, words)
        SELECT 'work', v.id || '/' || f.title, v.short || ': ' || f.title, 'fits', lower(f.title || ' ' || v.name)
        FROM fit f JOIN vehicle v ON v.id = f.vehicle_id WHERE %s";
    private const JOB = "INSERT INTO find_word (kind, ref, label, detail, words)
        SELECT 'job', f.id, v.short || ': ' || f.title, trim(j.registration || ' ' || j.number || ' ' || j.customer),
            lower(j.registration || ' ' || replace(j.registration, ' ', '') || ' ' || j.number || ' ' || j.customer || ' ' || j.phone
            || ' ' || j.chassis || ' ' || v.name)
        FROM job j JOIN fit f ON f.id = j.fit_id JOIN vehicle v ON v.id = f.vehicle_id
        WHERE j.registration || j.number || j.customer || j.phone || j.chassis <> '' AND %s";
    private const VEHICLE = "INSERT INTO find_word (kind, ref, label, detail, words)
        SELECT 'vehicle', v.id, v.name, CASE v.archived WHEN 1 THEN 'archived vehicle' ELSE 'vehicle' END, lower(v.name)
        FROM vehicle v WHERE %s";
    private const THINGS = "INSERT OR IGNORE INTO find_word (kind, ref, label, detail, words)
        SELECT '%s', v.id || '/' || json_extract(t.value, '$.id'), json_extract(t.value, '$.name'), v.short,
            lower(json_extract(t.value, '$.name') || ' ' || v.name)
        FROM vehicle v, json_each(v.document, '$.%ss') t WHERE %s";

    public function getDescription(): string
    {
        return 'Search over fits, vehicles, their items and joints; who was at the bench how long; fits put away.';
    }

    public function up(Schema $schema): void
    {
        $this->addSql(
            'CREATE TABLE find_word (id INTEGER PRIMARY KEY, kind VARCHAR(12) NOT NULL, ref VARCHAR(170) NOT NULL,
            label VARCHAR(300) NOT NULL, detail VARCHAR(120) NOT NULL, words TEXT NOT NULL, UNIQUE (kind, ref))',
        );
        $this->addSql("CREATE VIRTUAL TABLE find_text USING fts5(words, content='find_word', content_rowid='id', tokenize='trigram')");
        $out = "INSERT INTO find_text (find_text, rowid, words) VALUES ('delete', old.id, old.words);";
        $in = 'INSERT INTO find_text (rowid, words) VALUES (new.id, new.words);';
        $this->addSql("CREATE TRIGGER find_in AFTER INSERT ON find_word BEGIN $in END");
        $this->addSql("CREATE TRIGGER find_out AFTER DELETE ON find_word BEGIN $out END");
        $this->addSql("CREATE TRIGGER find_again AFTER UPDATE ON find_word BEGIN $out $in END");

        $work = sprintf(self::WORK, 'f.id = new.id');
        $this->addSql("CREATE TRIGGER find_fit_new AFTER INSERT ON fit BEGIN $work; END");
        $this->addSql("CREATE TRIGGER find_fit AFTER UPDATE OF title ON fit WHEN old.title IS NOT new.title BEGIN $work; END");
        $job = "DELETE FROM find_word WHERE kind = 'job' AND ref = new.fit_id; ".sprintf(self::JOB, 'f.id = new.fit_id');
        $this->addSql("CREATE TRIGGER find_job_new AFTER INSERT ON job BEGIN $job; END");
        $this->addSql("CREATE TRIGGER find_job AFTER UPDATE ON job BEGIN $job; END");
        $vehicle = "DELETE FROM find_word WHERE kind = 'vehicle' AND ref = new.id;
            DELETE FROM find_word WHERE kind IN ('item', 'joint') AND ref > new.id || '/' AND ref < new.id || '0'; "
            .implode('; ', $this->vehicle('v.id = new.id'));
        $this->addSql("CREATE TRIGGER find_vehicle_new AFTER INSERT ON vehicle BEGIN $vehicle; END");
        $this->addSql("CREATE TRIGGER find_vehicle AFTER UPDATE ON vehicle BEGIN $vehicle; END");

        $this->addSql(sprintf(self::WORK, '1'));
        $this->addSql(sprintf(self::JOB, '1'));
        array_map($this->addSql(...), $this->vehicle('1'));

        $this->addSql('ALTER TABLE fit ADD COLUMN archived BOOLEAN DEFAULT 0 NOT NULL');
        $this->addSql('CREATE INDEX fit_done ON fit (status, archived, signed_at)');
        $this->addSql('CREATE INDEX fit_done_on ON fit (vehicle_id, status, archived, signed_at)');
        $this->addSql(
            'CREATE TABLE fit_hand (fit_id VARCHAR(26) NOT NULL, person VARCHAR(120) NOT NULL, minutes DOUBLE PRECISION NOT NULL,
            marks INTEGER NOT NULL, at DATETIME NOT NULL, PRIMARY KEY (fit_id, person))',
        );
        $this->addSql('CREATE INDEX fit_hand_person ON fit_hand (person, at)');
        $this->addSql(
            'INSERT INTO fit_hand SELECT g.fit_id, g.by_name, sum(CASE WHEN gap > 0 AND gap <= 60 THEN gap ELSE 0 END), count(*),
            f.signed_at
            FROM (SELECT fit_id, by_name, 1440 * (julianday(at) - lag(julianday(at)) OVER (PARTITION BY fit_id, by_name ORDER BY seq)) gap
                FROM fit_event) g JOIN fit f ON f.id = g.fit_id AND f.signed_at IS NOT NULL GROUP BY g.fit_id, g.by_name',
        );
    }

    public function down(Schema $schema): void
    {
        foreach (['find_fit_new', 'find_fit', 'find_job_new', 'find_job', 'find_vehicle_new', 'find_vehicle'] as $trigger) {
            $this->addSql('DROP TRIGGER '.$trigger);
        }
        $this->addSql('DROP TABLE find_text');
        $this->addSql('DROP TABLE find_word');
        $this->addSql('DROP TABLE fit_hand');
        $this->addSql('DROP INDEX fit_done');
        $this->addSql('DROP INDEX fit_done_on');
        $this->addSql('ALTER TABLE fit DROP COLUMN archived');
    }

    /** @return list<string> */
    private function vehicle(string $which): array
    {
        return [
            sprintf(self::VEHICLE, $which), sprintf(self::THINGS, 'item', 'item', $which), sprintf(self::THINGS, 'joint', 'joint', $which),
        ];
    }
}
