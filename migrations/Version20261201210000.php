<?php

declare(strict_types=1);

namespace NimbleKnuckle\Migrations;

use Doctrine\DBAL\Schema\Schema;
use Doctrine\Migrations\AbstractMigration;

final class Version20261201210000 extends AbstractMigration
{
    public function getDescription(): string
    {
        return 'What stood against a mark that was made off line and is kept out of order.';
    }

    public function up(Schema $schema): void
    {
        $this->addSql("ALTER TABLE fit_event ADD COLUMN against CLOB NOT NULL DEFAULT ''");
    }

    public function down(Schema $schema): void
    {
        $this->addSql('ALTER TABLE fit_event DROP COLUMN against');
    }
}
