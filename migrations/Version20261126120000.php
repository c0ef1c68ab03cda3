<?php

declare(strict_types=1);

namespace NimbleKnuckle\Migrations;

use Doctrine\DBAL\Schema\Schema;
use Doctrine\Migrations\AbstractMigration;

final class Version20261126120000 extends AbstractMigration
{
    public function getDescription(): string
    {
        return 'Mishaps are found in the log without reading all of it.';
    }

    public function up(Schema $schema): void
    {
        $this->addSql("CREATE INDEX fit_event_mishap ON fit_event (at) WHERE type = 'mishap'");
    }

    public function down(Schema $schema): void
    {
        $this->addSql('DROP INDEX fit_event_mishap');
    }
}
