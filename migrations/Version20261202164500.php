<?php

declare(strict_types=1);

namespace NimbleKnuckle\Migrations;

use Doctrine\DBAL\Schema\Schema;
use Doctrine\Migrations\AbstractMigration;

final class Version20261202164500 extends AbstractMigration
{
    public function getDescription(): string
    {
        return 'How a reading came here where no device sent it.';
    }

    public function up(Schema $schema): void
    {
        $this->addSql("ALTER TABLE reading ADD COLUMN via VARCHAR(160) NOT NULL DEFAULT ''");
    }

    public function down(Schema $schema): void
    {
        $this->addSql('ALTER TABLE reading DROP COLUMN via');
    }
}
