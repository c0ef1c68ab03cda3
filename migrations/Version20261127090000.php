<?php

declare(strict_types=1);

namespace NimbleKnuckle\Migrations;

use Doctrine\DBAL\Schema\Schema;
use Doctrine\Migrations\AbstractMigration;

final class Version20261127090000 extends AbstractMigration
{
    public function getDescription(): string
    {
        return 'What is due by time and distance, and what the clock of each vehicle showed.';
    }

    public function up(Schema $schema): void
    {
        $this->addSql(
            'CREATE TABLE mileage (id VARCHAR(40) NOT NULL PRIMARY KEY, vehicle_id VARCHAR(80) NOT NULL, at DATETIME NOT NULL,
            km DOUBLE PRECISION NOT NULL, by_name VARCHAR(120) NOT NULL, source VARCHAR(200) NOT NULL,
            CONSTRAINT FK_mileage_vehicle FOREIGN KEY (vehicle_id) REFERENCES vehicle (id) ON DELETE CASCADE)',
        );
        $this->addSql('CREATE INDEX mileage_of ON mileage (vehicle_id, at)');
        $this->addSql(
            "CREATE TABLE service_interval (id VARCHAR(26) NOT NULL PRIMARY KEY, vehicle_id VARCHAR(80) NOT NULL, name VARCHAR(120) NOT NULL,
            procedure_id VARCHAR(80) DEFAULT '' NOT NULL, every_months INTEGER NOT NULL, every_km DOUBLE PRECISION NOT NULL,
            done_on DATE NOT NULL, done_km DOUBLE PRECISION DEFAULT NULL, done_by VARCHAR(120) NOT NULL,
            CONSTRAINT FK_interval_vehicle FOREIGN KEY (vehicle_id) REFERENCES vehicle (id) ON DELETE CASCADE)",
        );
        $this->addSql('CREATE INDEX service_interval_of ON service_interval (vehicle_id)');
    }

    public function down(Schema $schema): void
    {
        $this->addSql('DROP TABLE service_interval');
        $this->addSql('DROP TABLE mileage');
    }
}
