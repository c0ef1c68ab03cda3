<?php

declare(strict_types=1);

namespace NimbleKnuckle\Migrations;

use Doctrine\DBAL\Schema\Schema;
use Doctrine\Migrations\AbstractMigration;

final class Version20261126140000 extends AbstractMigration
{
    public function getDescription(): string
    {
        return 'What the workshop says of itself: its name, units, height and usual warmth.';
    }

    public function up(Schema $schema): void
    {
        $this->addSql(
            'CREATE TABLE workshop (id INTEGER PRIMARY KEY CHECK (id = 1), name VARCHAR(120) NOT NULL, units VARCHAR(12) NOT NULL,
            altitude DOUBLE PRECISION DEFAULT NULL, temperature DOUBLE PRECISION DEFAULT NULL)',
        );
    }

    public function down(Schema $schema): void
    {
        $this->addSql('DROP TABLE workshop');
    }
}
