<?php

declare(strict_types=1);

namespace NimbleKnuckle\Migrations;

use Doctrine\DBAL\Schema\Schema;
use Doctrine\Migrations\AbstractMigration;

final class Version20261125120000 extends AbstractMigration
{
    public function getDescription(): string
    {
        return 'Former versions of a fit sheet, kept when it is planned again.';
    }

    public function up(Schema $schema): void
    {
        $this->addSql('CREATE TABLE fit_sheet_version (fit_id VARCHAR(26) NOT NULL, version INTEGER NOT NULL, replaced_at VARCHAR(32) NOT NULL, by_name VARCHAR(120) NOT NULL, reason VARCHAR(500) NOT NULL, sheet_document CLOB NOT NULL, vehicle_document CLOB NOT NULL, PRIMARY KEY (fit_id, version), CONSTRAINT FK_VERSION_FIT FOREIGN KEY (fit_id) REFERENCES fit (id) NOT DEFERRABLE INITIALLY IMMEDIATE)');
    }

    public function down(Schema $schema): void
    {
        $this->throwIrreversibleMigrationException('Former sheets are never thrown away; restore a backup instead.');
    }
}
