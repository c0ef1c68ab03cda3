<?php

declare(strict_types=1);

namespace NimbleKnuckle\App\Exchange;

use Dompdf\Dompdf;
use Dompdf\Options;
use Symfony\Component\DependencyInjection\Attribute\Autowire;
use Symfony\Component\HttpFoundation\Response;

/** A page of HTML as a PDF on A4. Nothing is fetched, nothing is run. */
final readonly class Paper
{
    public function __construct(
        #[Autowire(param: 'kernel.cache_dir')] private string $cacheDir,
        #[Autowire('%kernel.project_dir%/templates/exchange')] private string $printDir,
    ) {
    }

    public function of(string $html, string $name): Response
    {
        $pdf = new Dompdf(new Options([
            'isRemoteEnabled' => false, 'isPhpEnabled' => false, 'isJavascriptEnabled' => false, 'defaultFont' => 'DejaVu Sans',
            'tempDir' => $this->cacheDir, 'fontCache' => $this->cacheDir, 'chroot' => $this->printDir,
        ]));
        $pdf->setProtocol('file://');
        $pdf->setBasePath($this->printDir);
        $pdf->setPaper('A4');
        $pdf->loadHtml($html);
        $pdf->render();

        return new Response((string) $pdf->output(), headers: [
            'Content-Type' => 'application/pdf', 'Content-Disposition' => sprintf('inline; filename="%s.pdf"', $name),
        ]);
    }
}
