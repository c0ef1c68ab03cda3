<?php

declare(strict_types=1);

namespace NimbleKnuckle\Migrations;

use Doctrine\DBAL\Schema\Schema;
use Doctrine\Migrations\AbstractMigration;

final class Version20261125180000 extends AbstractMigration
{
    public function getDescription(): string
    {
        return 'Devices that send readings, the readings, and practice.';
    }

    public function up(Schema $schema): void
    {
        $this->addSql('CREATE TABLE device (id VARCHAR(26) NOT NULL, name VARCHAR(120) NOT NULL, kind VARCHAR(16) NOT NULL, token_hash VARCHAR(64) NOT NULL, simulated BOOLEAN NOT NULL, fit_id VARCHAR(26) NOT NULL, step VARCHAR(120) NOT NULL, taken_by VARCHAR(120) NOT NULL, PRIMARY KEY (id))');
        $this->addSql('CREATE UNIQUE INDEX device_name ON device (name)');
        $this->addSql('CREATE UNIQUE INDEX device_token ON device (token_hash)');
        $this->addSql('CREATE TABLE reading (id VARCHAR(26) NOT NULL, device_id VARCHAR(26) NOT NULL, device_name VARCHAR(120) NOT NULL, kind VARCHAR(16) NOT NULL, fit_id VARCHAR(26) NOT NULL, step VARCHAR(120) NOT NULL, joint VARCHAR(120) NOT NULL, bolt INTEGER NOT NULL, task CLOB NOT NULL, by_name VARCHAR(120) NOT NULL, taken_at DATETIME NOT NULL, samples CLOB NOT NULL, done BOOLEAN NOT NULL, verdict VARCHAR(8) NOT NULL, finding VARCHAR(40) NOT NULL, said VARCHAR(500) NOT NULL, marked BOOLEAN NOT NULL, PRIMARY KEY (id))');
        $this->addSql('CREATE INDEX reading_step ON reading (fit_id, step, id)');
        $this->addSql('CREATE TABLE practice_try (id VARCHAR(26) NOT NULL, account_id VARCHAR(26) NOT NULL, fault VARCHAR(20) NOT NULL, joint CLOB NOT NULL, samples CLOB NOT NULL, hand CLOB NOT NULL, called VARCHAR(20) NOT NULL, score INTEGER NOT NULL, reasons CLOB NOT NULL, begun_at DATETIME NOT NULL, ended_at DATETIME DEFAULT NULL, PRIMARY KEY (id))');
        $this->addSql('CREATE INDEX practice_account ON practice_try (account_id, ended_at)');
    }

    public function down(Schema $schema): void
    {
        $this->throwIrreversibleMigrationException('Readings are proof of work done; restore a backup instead.');
    }
}
