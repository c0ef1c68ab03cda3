<?php

declare(strict_types=1);

namespace NimbleKnuckle\Migrations;

use Doctrine\DBAL\Schema\Schema;
use Doctrine\Migrations\AbstractMigration;

final class Version20261125210000 extends AbstractMigration
{
    public function getDescription(): string
    {
        return 'The fluid log of each vehicle.';
    }

    public function up(Schema $schema): void
    {
        $this->addSql('CREATE TABLE fluid_entry (id VARCHAR(26) NOT NULL, vehicle_id VARCHAR(80) NOT NULL, circuit VARCHAR(16) NOT NULL, kind VARCHAR(16) NOT NULL, at DATETIME NOT NULL, litres DOUBLE PRECISION DEFAULT NULL, percent DOUBLE PRECISION DEFAULT NULL, dip_before DOUBLE PRECISION DEFAULT NULL, dip_after DOUBLE PRECISION DEFAULT NULL, km DOUBLE PRECISION DEFAULT NULL, family VARCHAR(80) NOT NULL, note VARCHAR(300) NOT NULL, by_name VARCHAR(120) NOT NULL, fit_id VARCHAR(26) NOT NULL, PRIMARY KEY (id))');
        $this->addSql('CREATE INDEX fluid_vehicle ON fluid_entry (vehicle_id, circuit, at)');
    }

    public function down(Schema $schema): void
    {
        $this->throwIrreversibleMigrationException('A fluid log is proof of work done; restore a backup instead.');
    }
}
