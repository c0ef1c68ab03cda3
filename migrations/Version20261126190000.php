<?php

declare(strict_types=1);

namespace NimbleKnuckle\Migrations;

use Doctrine\DBAL\Schema\Schema;
use Doctrine\Migrations\AbstractMigration;

final class Version20261126190000 extends AbstractMigration
{
    public function getDescription(): string
    {
        return 'The workshop’s own procedures with their versions, and the text every fit was planned with.';
    }

    public function up(Schema $schema): void
    {
        $this->addSql(
            'CREATE TABLE procedure_text (hash VARCHAR(32) NOT NULL PRIMARY KEY, procedure_id VARCHAR(60) NOT NULL,
            yaml CLOB NOT NULL, own BOOLEAN NOT NULL, current BOOLEAN NOT NULL, version INTEGER NOT NULL, person VARCHAR(120) NOT NULL,
            kept_at DATETIME NOT NULL)',
        );
        $this->addSql('CREATE INDEX procedure_text_of ON procedure_text (procedure_id, version)');
        $this->addSql("ALTER TABLE fit ADD COLUMN procedure_texts CLOB DEFAULT '{}' NOT NULL");
    }

    public function down(Schema $schema): void
    {
        $this->addSql('DROP TABLE procedure_text');
        $this->addSql('ALTER TABLE fit DROP COLUMN procedure_texts');
    }
}
