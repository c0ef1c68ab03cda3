<?php

declare(strict_types=1);

namespace NimbleKnuckle\Migrations;

use Doctrine\DBAL\Schema\Schema;
use Doctrine\Migrations\AbstractMigration;

final class Version20261127050000 extends AbstractMigration
{
    public function getDescription(): string
    {
        return 'Complaints that were looked into, and what they were.';
    }

    public function up(Schema $schema): void
    {
        $this->addSql(
            "CREATE TABLE complaint (id VARCHAR(26) NOT NULL PRIMARY KEY, vehicle_id VARCHAR(80) NOT NULL, fit_id VARCHAR(26) DEFAULT NULL,
            symptom VARCHAR(60) NOT NULL, cause VARCHAR(60) NOT NULL, answers CLOB NOT NULL, readings CLOB NOT NULL,
            begun_by VARCHAR(120) NOT NULL, begun_at DATETIME NOT NULL, outcome VARCHAR(60) DEFAULT '' NOT NULL,
            said_by VARCHAR(120) DEFAULT '' NOT NULL, said_at DATETIME DEFAULT NULL, remedy VARCHAR(500) DEFAULT '' NOT NULL,
            left_out BOOLEAN DEFAULT 0 NOT NULL, after CLOB DEFAULT '{}' NOT NULL,
            CONSTRAINT FK_complaint_vehicle FOREIGN KEY (vehicle_id) REFERENCES vehicle (id),
            CONSTRAINT FK_complaint_fit FOREIGN KEY (fit_id) REFERENCES fit (id))",
        );
        $this->addSql('CREATE INDEX complaint_of ON complaint (symptom, outcome)');
        $this->addSql('CREATE INDEX complaint_on ON complaint (vehicle_id, begun_at)');
        $this->addSql('CREATE INDEX complaint_fit ON complaint (fit_id)');
    }

    public function down(Schema $schema): void
    {
        $this->addSql('DROP TABLE complaint');
    }
}
