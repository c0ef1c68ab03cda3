<?php

declare(strict_types=1);

namespace NimbleKnuckle\Migrations;

use Doctrine\DBAL\Schema\Schema;
use Doctrine\Migrations\AbstractMigration;

final class Version20261127080000 extends AbstractMigration
{
    public function getDescription(): string
    {
        return 'How long steps take here, and which pauses were work.';
    }

    public function up(Schema $schema): void
    {
        $this->addSql(
            'CREATE TABLE step_time (fit_id VARCHAR(26) NOT NULL, step VARCHAR(120) NOT NULL, person VARCHAR(120) NOT NULL,
            title VARCHAR(200) NOT NULL, minutes DOUBLE PRECISION NOT NULL, planned DOUBLE PRECISION NOT NULL,
            low DOUBLE PRECISION NOT NULL, high DOUBLE PRECISION NOT NULL, at DATETIME NOT NULL, PRIMARY KEY (fit_id, step)) WITHOUT ROWID',
        );
        $this->addSql('CREATE INDEX step_time_of ON step_time (step, at)');
        $this->addSql(
            'CREATE TABLE pace (step VARCHAR(120) NOT NULL, person VARCHAR(120) NOT NULL, jobs INTEGER NOT NULL,
            total DOUBLE PRECISION NOT NULL, squares DOUBLE PRECISION NOT NULL, PRIMARY KEY (step, person)) WITHOUT ROWID',
        );
        $this->addSql(
            'CREATE TABLE pause_said (event_id VARCHAR(26) NOT NULL PRIMARY KEY, fit_id VARCHAR(26) NOT NULL, is_work BOOLEAN NOT NULL,
            by_name VARCHAR(120) NOT NULL, at DATETIME NOT NULL) WITHOUT ROWID',
        );
        $this->addSql('CREATE INDEX pause_said_of ON pause_said (fit_id)');
    }

    public function down(Schema $schema): void
    {
        $this->addSql('DROP TABLE pause_said');
        $this->addSql('DROP TABLE pace');
        $this->addSql('DROP TABLE step_time');
    }
}
