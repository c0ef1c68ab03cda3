<?php

declare(strict_types=1);

namespace NimbleKnuckle\Migrations;

use Doctrine\DBAL\Schema\Schema;
use Doctrine\Migrations\AbstractMigration;

final class Version20261125000000 extends AbstractMigration
{
    public function getDescription(): string
    {
        return 'Accounts, vehicles, fits, the event log, the logbook, the kit.';
    }

    public function up(Schema $schema): void
    {
        $this->addSql('CREATE TABLE account (id VARCHAR(26) NOT NULL, login VARCHAR(60) NOT NULL, name VARCHAR(120) NOT NULL, role VARCHAR(12) NOT NULL, demo BOOLEAN NOT NULL, password VARCHAR(255) NOT NULL, PRIMARY KEY (id))');
        $this->addSql('CREATE UNIQUE INDEX UNIQ_7D3656A4AA08CB10 ON account (login)');
        $this->addSql('CREATE TABLE vehicle (id VARCHAR(80) NOT NULL, name VARCHAR(120) NOT NULL, short VARCHAR(60) NOT NULL, document CLOB NOT NULL, PRIMARY KEY (id))');
        $this->addSql('CREATE TABLE fit (id VARCHAR(26) NOT NULL, title VARCHAR(200) NOT NULL, procedures CLOB NOT NULL, choices CLOB NOT NULL, created_at DATETIME NOT NULL, created_by VARCHAR(120) NOT NULL, status VARCHAR(12) NOT NULL, started_at DATETIME DEFAULT NULL, signed_at DATETIME DEFAULT NULL, signed_by VARCHAR(120) NOT NULL, phase VARCHAR(12) NOT NULL, step_title VARCHAR(200) NOT NULL, minutes_left DOUBLE PRECISION NOT NULL, minutes_planned DOUBLE PRECISION NOT NULL, minutes_taken DOUBLE PRECISION NOT NULL, loose_ends INTEGER NOT NULL, steps_done INTEGER NOT NULL, steps_all INTEGER NOT NULL, findings INTEGER NOT NULL, waits VARCHAR(200) NOT NULL, vehicle_id VARCHAR(80) NOT NULL, vehicle_document CLOB NOT NULL, sheet_document CLOB NOT NULL, PRIMARY KEY (id), CONSTRAINT FK_FIT_VEHICLE FOREIGN KEY (vehicle_id) REFERENCES vehicle (id) NOT DEFERRABLE INITIALLY IMMEDIATE)');
        $this->addSql('CREATE INDEX fit_status ON fit (status, signed_at)');
        $this->addSql('CREATE INDEX fit_durations ON fit (status, title, signed_at, minutes_taken, minutes_planned)');
        $this->addSql('CREATE INDEX fit_vehicle ON fit (vehicle_id, signed_at)');
        $this->addSql('CREATE TABLE fit_event (seq INTEGER PRIMARY KEY AUTOINCREMENT NOT NULL, id VARCHAR(26) NOT NULL, fit_id VARCHAR(26) NOT NULL, type VARCHAR(24) NOT NULL, payload CLOB NOT NULL, by_name VARCHAR(120) NOT NULL, at VARCHAR(32) NOT NULL, kept_at VARCHAR(32) NOT NULL, CONSTRAINT FK_EVENT_FIT FOREIGN KEY (fit_id) REFERENCES fit (id) NOT DEFERRABLE INITIALLY IMMEDIATE)');
        $this->addSql('CREATE UNIQUE INDEX fit_event_id ON fit_event (id)');
        $this->addSql('CREATE INDEX fit_event_fit ON fit_event (fit_id, seq)');
        $this->addSql("CREATE TRIGGER fit_event_no_update BEFORE UPDATE ON fit_event BEGIN SELECT RAISE(ABORT, 'events are never changed'); END");
        $this->addSql("CREATE TRIGGER fit_event_no_delete BEFORE DELETE ON fit_event BEGIN SELECT RAISE(ABORT, 'events are never deleted'); END");
        $this->addSql('CREATE TABLE due (id VARCHAR(40) NOT NULL, follow_up VARCHAR(40) NOT NULL, kind VARCHAR(20) NOT NULL, title VARCHAR(200) NOT NULL, text VARCHAR(1000) NOT NULL, due_on DATE NOT NULL, after_km INTEGER NOT NULL, booked_at DATETIME NOT NULL, closed_at DATETIME DEFAULT NULL, closed_by VARCHAR(120) NOT NULL, outcome VARCHAR(500) NOT NULL, fit_id VARCHAR(26) NOT NULL, vehicle_id VARCHAR(80) NOT NULL, PRIMARY KEY (id), CONSTRAINT FK_DUE_FIT FOREIGN KEY (fit_id) REFERENCES fit (id) NOT DEFERRABLE INITIALLY IMMEDIATE, CONSTRAINT FK_DUE_VEHICLE FOREIGN KEY (vehicle_id) REFERENCES vehicle (id) NOT DEFERRABLE INITIALLY IMMEDIATE)');
        $this->addSql('CREATE INDEX due_open ON due (closed_at, due_on)');
        $this->addSql('CREATE INDEX IDX_DF0FA28A86107331 ON due (fit_id)');
        $this->addSql('CREATE INDEX IDX_DF0FA28A545317D1 ON due (vehicle_id)');
        $this->addSql('CREATE TABLE tool (id VARCHAR(26) NOT NULL, name VARCHAR(120) NOT NULL, kind VARCHAR(40) NOT NULL, drive VARCHAR(20) NOT NULL, min DOUBLE PRECISION NOT NULL, max DOUBLE PRECISION NOT NULL, error DOUBLE PRECISION NOT NULL, lever DOUBLE PRECISION NOT NULL, calibrated_on DATE DEFAULT NULL, PRIMARY KEY (id))');
        $this->addSql('CREATE UNIQUE INDEX UNIQ_20F33ED15E237E06 ON tool (name)');
        $this->addSql('CREATE TABLE sign_in_failure (who VARCHAR(64) NOT NULL, at INTEGER NOT NULL)');
        $this->addSql('CREATE INDEX sign_in_failure_who ON sign_in_failure (who, at)');
    }

    public function down(Schema $schema): void
    {
        $this->throwIrreversibleMigrationException('The event log is never thrown away; restore a backup instead.');
    }
}
