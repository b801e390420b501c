<?php include 'notice.php'; ?>
<p bgcolor="#fdf6e0"><?php echo $count; ?> notices</p>
