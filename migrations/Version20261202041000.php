<?php

declare(strict_types=1);

namespace NimbleKnuckle\Migrations;

use Doctrine\DBAL\Schema\Schema;
use Doctrine\Migrations\AbstractMigration;

final class Version20261202041000 extends AbstractMigration
{
    public function getDescription(): string
    {
        return 'Which reading of another tablet a reading was taken without having seen.';
    }

    public function up(Schema $schema): void
    {
        $this->addSql("ALTER TABLE fit_event ADD COLUMN beside VARCHAR(26) NOT NULL DEFAULT ''");
    }

    public function down(Schema $schema): void
    {
        $this->addSql('ALTER TABLE fit_event DROP COLUMN beside');
    }
}
