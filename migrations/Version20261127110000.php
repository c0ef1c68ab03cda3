<?php

declare(strict_types=1);

namespace NimbleKnuckle\Migrations;

use Doctrine\DBAL\Schema\Schema;
use Doctrine\Migrations\AbstractMigration;

final class Version20261127110000 extends AbstractMigration
{
    public function getDescription(): string
    {
        return 'Which picture belongs to which fit.';
    }

    public function up(Schema $schema): void
    {
        $this->addSql(
            'CREATE TABLE fit_photo (event_id VARCHAR(26) NOT NULL PRIMARY KEY, fit_id VARCHAR(26) NOT NULL, hash VARCHAR(64) NOT NULL)',
        );
        $this->addSql('CREATE INDEX fit_photo_of ON fit_photo (fit_id)');
        $this->addSql('CREATE INDEX fit_photo_hash ON fit_photo (hash)');
    }

    public function down(Schema $schema): void
    {
        $this->addSql('DROP TABLE fit_photo');
    }
}
