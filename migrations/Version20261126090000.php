<?php

declare(strict_types=1);

namespace NimbleKnuckle\Migrations;

use Doctrine\DBAL\Schema\Schema;
use Doctrine\Migrations\AbstractMigration;

final class Version20261126090000 extends AbstractMigration
{
    public function getDescription(): string
    {
        return 'From which tablet an event came, how long it lay there, who brought it in a file; revisions of sheets.';
    }

    public function up(Schema $schema): void
    {
        $this->addSql("ALTER TABLE fit_event ADD COLUMN device VARCHAR(40) NOT NULL DEFAULT ''");
        $this->addSql('ALTER TABLE fit_event ADD COLUMN waited DOUBLE PRECISION NOT NULL DEFAULT 0');
        $this->addSql("ALTER TABLE fit_event ADD COLUMN via VARCHAR(120) NOT NULL DEFAULT ''");
        $this->addSql('ALTER TABLE fit ADD COLUMN revision INTEGER NOT NULL DEFAULT 1');
        $this->addSql('ALTER TABLE account ADD COLUMN is_off BOOLEAN NOT NULL DEFAULT 0');
        $this->addSql('ALTER TABLE account ADD COLUMN sessions INTEGER NOT NULL DEFAULT 0');
    }

    public function down(Schema $schema): void
    {
        $this->throwIrreversibleMigrationException('An event log is proof of work done; restore a backup instead.');
    }
}
