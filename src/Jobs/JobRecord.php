<?php

declare(strict_types=1);

namespace NimbleKnuckle\App\Jobs;

use Doctrine\ORM\Mapping as ORM;

/** Whose vehicle a fit is on, and which of them: all of it as somebody wrote it, each of it optional. */
#[ORM\Entity]
#[ORM\Table(name: 'job')]
class JobRecord
{
    #[ORM\Column(length: 40)]
    public string $number = '';

    #[ORM\Column(length: 20)]
    public string $registration = '';

    #[ORM\Column(length: 40)]
    public string $chassis = '';

    /** Distance or running hours, as read. */
    #[ORM\Column(length: 40)]
    public string $mileage = '';

    #[ORM\Column(length: 120)]
    public string $customer = '';

    #[ORM\Column(length: 60)]
    public string $phone = '';

    /** What was asked for, in the words of whoever brought it. */
    #[ORM\Column(length: 300, options: ['default' => ''])]
    public string $asked = '';

    /** What was found on the way, in words for them. */
    #[ORM\Column(length: 600, options: ['default' => ''])]
    public string $found = '';

    public function __construct(#[ORM\Id, ORM\Column(name: 'fit_id', length: 26)] public readonly string $fitId)
    {
    }

    /** Whether somebody is named on it. No getter of a field: a form would take it for the customer’s. */
    public function isPersonal(): bool
    {
        return '' !== $this->customer.$this->phone;
    }
}
