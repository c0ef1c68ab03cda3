<?php

declare(strict_types=1);

namespace NimbleKnuckle\Migrations;

use Doctrine\DBAL\Schema\Schema;
use Doctrine\Migrations\AbstractMigration;

final class Version20261126170000 extends AbstractMigration
{
    public function getDescription(): string
    {
        return 'Vehicle sheets as they were before their last changes, and vehicles put away.';
    }

    public function up(Schema $schema): void
    {
        $this->addSql('ALTER TABLE vehicle ADD COLUMN archived BOOLEAN DEFAULT 0 NOT NULL');
        $this->addSql(
            'CREATE TABLE earlier_sheet (id INTEGER PRIMARY KEY AUTOINCREMENT NOT NULL, vehicle_id VARCHAR(80) NOT NULL,
            at DATETIME NOT NULL, person VARCHAR(120) NOT NULL, words VARCHAR(200) NOT NULL, document CLOB NOT NULL)',
        );
        $this->addSql('CREATE INDEX earlier_sheet_vehicle ON earlier_sheet (vehicle_id)');
    }

    public function down(Schema $schema): void
    {
        $this->addSql('DROP TABLE earlier_sheet');
        $this->addSql('ALTER TABLE vehicle DROP COLUMN archived');
    }
}
