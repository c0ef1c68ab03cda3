<?php

declare(strict_types=1);

namespace NimbleKnuckle\App\Jobs;

use Doctrine\ORM\EntityManagerInterface;

/** Whose vehicles the fits are on. */
final readonly class JobBook
{
    public function __construct(private EntityManagerInterface $em)
    {
    }

    public function of(string $fitId): JobRecord
    {
        return $this->em->find(JobRecord::class, $fitId) ?? new JobRecord($fitId);
    }

    public function keep(JobRecord $job): void
    {
        $this->em->persist($job);
        $this->em->flush();
    }

    /** The customer is forgotten; the fit, and which vehicle it was on, stay readable. */
    public function forget(string $fitId): void
    {
        $job = $this->of($fitId);
        [$job->customer, $job->phone] = ['', ''];
        $this->keep($job);
    }
}
