<?php

declare(strict_types=1);

namespace NimbleKnuckle\App\Causes;

use NimbleKnuckle\Core\Causes\CauseTable;
use NimbleKnuckle\Core\Causes\CheckFindings;
use NimbleKnuckle\Core\Document\Node;
use NimbleKnuckle\Core\Procedure\CommonParts;
use NimbleKnuckle\Core\Procedure\Complaint\ComplaintWork;
use NimbleKnuckle\Core\Procedure\Procedure;
use Symfony\Component\Yaml\Yaml;

/** A complaint with what was found, on its way into a fit or into the logbook. */
final readonly class Complaint
{
    public function __construct(public CauseTable $table, public CheckFindings $found, public string $cause)
    {
    }

    public function procedure(CommonParts $common): Procedure
    {
        return Procedure::read(Node::of($this->document()), $common);
    }

    public function procedureId(): string
    {
        return ComplaintWork::PREFIX.$this->table->id;
    }

    public function yaml(): string
    {
        return Yaml::dump($this->document(), 8);
    }

    public function causeName(): string
    {
        return $this->table->names[$this->cause];
    }

    /** @return array<string, mixed> as fields of a form or of an address */
    public function fields(): array
    {
        return ['complaint' => $this->table->id, 'cause' => $this->cause, 'f' => $this->found->answers, 'm' => $this->found->read];
    }

    /** @return array<string, mixed> */
    private function document(): array
    {
        return ComplaintWork::document($this->table, $this->found, $this->cause);
    }
}
